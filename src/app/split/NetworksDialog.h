#pragma once
#include <QDialog>
#include <vector>

#include "app/split/InstalledNetworks.h"
#include "app/work/Work.h"
#include "core/separation/NetworkCard.h"

class QLabel;
class QListWidget;
class QPushButton;

namespace rivlen {

/// The networks that are there, with their whole cards; installing and removing. A network from elsewhere is tried in a
/// process of its own first, while the window stays usable.
class NetworksDialog : public QDialog {
    Q_OBJECT
public:
    explicit NetworksDialog(Work& work, InstalledNetworks& networks, QWidget* parent = nullptr);
    /// Installs the network of this card file; what came of it appears in the work line and here.
    void install(const QString& card);

private:
    void reload();
    void show(int row);

    InstalledNetworks& m_networks;
    std::vector<NetworkCard> m_cards;
    QListWidget* m_list;
    QLabel *m_card, *m_state;
    QPushButton *m_install, *m_remove;
};

}  // namespace rivlen
