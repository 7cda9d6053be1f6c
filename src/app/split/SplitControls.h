#pragma once
#include <QComboBox>
#include <QLabel>
#include <QPushButton>

#include "app/reels/Splitting.h"
#include "app/split/InstalledNetworks.h"
#include "app/split/SceneDesk.h"

namespace rivlen {

/// Which network, at which quality, and what came of the split.
class SplitControls : public QWidget {
    Q_OBJECT
public:
    SplitControls(Document& document, Reels& reels, Splitting& splitting, Work& work, InstalledNetworks& networks,
                  SceneDesk& scenes, QWidget* parent = nullptr);
    void refresh();

private:
    void reload();

    Document& m_document;
    Reels& m_reels;
    Splitting& m_splitting;
    Work& m_work;
    InstalledNetworks& m_networks;
    SceneDesk& m_scenes;
    /// A network as it came, or as a scene changed it.
    struct Choice {
        NetworkCard card;
        std::filesystem::path scene;
    };
    std::vector<Choice> m_choices;
    std::vector<std::filesystem::path> m_listed;  ///< scenes that m_choices was made with
    QComboBox *m_network, *m_quality;
    QPushButton *m_split, *m_goOn;
    QLabel *m_purpose, *m_card, *m_state, *m_levels;
};

}  // namespace rivlen
