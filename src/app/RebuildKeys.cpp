// MainWindow: keys of the Rebuild stage, and small windows.
#include <QMessageBox>

#include "app/MainWindow.h"
#include "app/Shortcuts.h"

namespace rivlen {

void MainWindow::buildRebuildKeys() {
    RebuildDesk& desk = m_desks.rebuild;
    const auto key = [this](const char* keys, std::function<void()> action) {
        addShortcut(this, keys, [this, action = std::move(action)] {
            if (rebuilding()) action();
        });
    };
    key("S", [&desk] { desk.splitAtPlayhead(); });
    key("U", [&desk] { desk.toggleMuted(); });
    key("E", [&desk] { desk.keepBefore(); });
    key("W", [&desk] { desk.swapBefore(); });
    key("Ctrl+D", [&desk] { desk.duplicateSelected(); });
    key("Ctrl+C", [&desk] { desk.copy(); });
    key("Ctrl+X", [&desk] { desk.copy(), desk.removeSelected(); });
    key("Ctrl+V", [&desk] { desk.paste(); });
    key("Ctrl+Up", [&desk] { desk.stepLane(-1); });
    key("Ctrl+Down", [&desk] { desk.stepLane(1); });
    key("Shift+[", [&desk] { desk.trimToPlayhead(true); });
    key("Shift+]", [&desk] { desk.trimToPlayhead(false); });
    key("{", [&desk] { desk.trimToPlayhead(true); });  // what Shift makes of the brackets on many keyboards
    key("}", [&desk] { desk.trimToPlayhead(false); });
    key("Shift+U", [&desk] { desk.editStrip("Mute lane", [](Strip& s) { s.mute = !s.mute; }); });
    key("Shift+S", [&desk] {
        if (desk.laneId() != "mix") desk.editStrip("Solo lane", [](Strip& s) { s.solo = !s.solo; });
    });
    // A picture frame, or 10 ms where there is no picture.
    const auto step = [this] {
        const ReelState* state = m_controller.currentState();
        return state && state->info && state->info->picture && state->info->picture->fps > 0
                   ? 1 / state->info->picture->fps
                   : 0.01;
    };
    key("Alt+Left", [&desk, step] { desk.nudge(-step()); });
    key("Alt+Right", [&desk, step] { desk.nudge(step()); });
    key("Alt+Shift+Left", [&desk, step] { desk.slip(-step()); });
    key("Alt+Shift+Right", [&desk, step] { desk.slip(step()); });
}

void MainWindow::showShortcuts() {
    QMessageBox box(this);
    box.setWindowTitle("Keyboard shortcuts");
    box.setTextFormat(Qt::RichText);
    box.setText(shortcutSheet());
    box.exec();
}

void MainWindow::showMeters() {
    if (!m_meterWindow) {
        m_meterWindow = new QWidget(this, Qt::Tool);
        m_meterWindow->setObjectName("meterwindow");
        m_meterWindow->setWindowTitle("Meters");
        auto* column = new QVBoxLayout(m_meterWindow);
        column->addWidget(new MeterView(m_desks.meters));
        m_meterWindow->resize(420, 140);
    }
    m_meterWindow->setVisible(!m_meterWindow->isVisible());
}

}  // namespace rivlen
