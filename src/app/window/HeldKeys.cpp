#include "app/window/HeldKeys.h"

#include <QApplication>
#include <QLineEdit>
#include <QPushButton>

namespace rivlen {

void HeldKeys::hearSourceWhileHeld(const QKeyEvent& key, bool pressed) {
    if (key.isAutoRepeat()) return;
    const Player& player = m_hearing.player();
    if (pressed && !m_before && player.isOpen()) {
        m_before = player.heard();
        m_hearing.hear(Heard::Source);
    } else if (!pressed && m_before) {
        m_hearing.hear(*m_before);
        m_before.reset();
    }
}

bool HeldKeys::eventFilter(QObject* object, QEvent* event) {
    const bool pressed = event->type() == QEvent::KeyPress;
    const auto* to = qobject_cast<QWidget*>(object);
    if (to && to->window() != m_window) return QObject::eventFilter(object, event);  // what a dialog is told is its own
    if ((pressed || event->type() == QEvent::KeyRelease) && m_window->isActiveWindow()) {
        auto* key = static_cast<QKeyEvent*>(event);
        QWidget* focus = QApplication::focusWidget();
        if (key->key() == Qt::Key_O && key->modifiers() == Qt::NoModifier && !qobject_cast<QLineEdit*>(focus)) {
            hearSourceWhileHeld(*key, pressed);
            return true;
        }
        if (pressed && (key->key() == Qt::Key_Return || key->key() == Qt::Key_Enter) &&
            key->modifiers() == Qt::NoModifier)
            if (auto* button = qobject_cast<QPushButton*>(focus); button && object == focus) {
                button->click();
                return true;
            }
    }
    return QObject::eventFilter(object, event);
}

}  // namespace rivlen
