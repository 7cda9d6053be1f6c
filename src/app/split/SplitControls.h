#pragma once
#include <QComboBox>
#include <QLabel>
#include <QPushButton>

#include "app/reels/Splitting.h"
#include "app/split/InstalledNetworks.h"

namespace rivlen {

/// Which network, at which quality, and what came of the split.
class SplitControls : public QWidget {
    Q_OBJECT
public:
    SplitControls(Document& document, Reels& reels, Splitting& splitting, Work& work, InstalledNetworks& networks,
                  QWidget* parent = nullptr);
    void refresh();

private:
    void reload();

    Document& m_document;
    Reels& m_reels;
    Splitting& m_splitting;
    Work& m_work;
    InstalledNetworks& m_networks;
    std::vector<NetworkCard> m_cards;
    QComboBox *m_network, *m_quality;
    QPushButton *m_split, *m_goOn;
    QLabel *m_purpose, *m_card, *m_state, *m_levels;
};

}  // namespace rivlen
