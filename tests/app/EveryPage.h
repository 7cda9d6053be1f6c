#pragma once
#include <QTabBar>
#include <functional>

#include "WindowFixture.h"

namespace rivlen::test {

/// Calls look as the window stands, and again on each page of every row of tabs that is visible.
inline void onEveryPage(MainWindow& window, const std::function<void(const QString& page)>& look) {
    look({});
    for (auto* tabs : window.findChildren<QTabBar*>()) {
        if (!tabs->isVisibleTo(&window)) continue;
        for (int i = 0; i < tabs->count(); ++i) {
            tabs->setCurrentIndex(i);
            look(tabs->tabText(i));
        }
    }
}

/// The buttons that open dialogues, and where they stand.
struct DialogueButton {
    const char *stage, *tabs;  ///< tabs: null where the stage has none to go through
    int page;
    const char* name;
};
inline constexpr DialogueButton kDialogueButtons[] = {{"split", nullptr, 0, "openNetworks"},
                                                      {"weigh", "weightabs", 1, "givestrength"},
                                                      {"rebuild", "rebuildtabs", 5, "replacemusic"},
                                                      {"rebuild", "rebuildtabs", 5, "microphone"},
                                                      {"rebuild", "rebuildtabs", 1, "addeffect"}};

}  // namespace rivlen::test
