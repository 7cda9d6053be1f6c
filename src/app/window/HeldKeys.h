#pragma once
#include <QKeyEvent>
#include <QWidget>
#include <optional>

#include "app/hearing/Hearing.h"

namespace rivlen {

/// Keys that no shortcut can be: the source is heard for as long as O is held, and Return presses the button that has
/// the focus. An event filter of the application, for one window.
class HeldKeys : public QObject {
    Q_OBJECT
public:
    HeldKeys(Hearing& hearing, QWidget* window) : QObject(window), m_hearing(hearing), m_window(window) {}

protected:
    bool eventFilter(QObject*, QEvent*) override;

private:
    void hearSourceWhileHeld(const QKeyEvent& key, bool pressed);
    Hearing& m_hearing;
    QWidget* m_window;
    std::optional<Heard> m_before;  ///< what was heard before the key was held
};

}  // namespace rivlen
