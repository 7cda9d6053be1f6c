#include "app/window/OwnWindow.h"

#include <QCloseEvent>
#include <QSettings>

namespace rivlen {

OwnWindow::OwnWindow(const QString& id, const QString& title, QWidget* view, QWidget* above, QWidget* main)
    // Of this kind, so that the main window's keys work in it.
    : QWidget(main, Qt::Tool | Qt::WindowMaximizeButtonHint | Qt::WindowCloseButtonHint), m_id(id), m_view(view) {
    setObjectName(id + "window");
    setWindowTitle(title);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    if (above) column->addWidget(above);
    if (!view->parentWidget()) column->addWidget(view, 1);
}

void OwnWindow::setHome(QBoxLayout* home) {
    m_home = home;
    m_place = new QWidget;
    m_place->hide();
    const int at = home->indexOf(m_view);
    m_stretch = home->stretch(at);
    home->insertWidget(at, m_place);
}

void OwnWindow::set(bool out) {
    if (out == m_out) return;
    m_out = out;
    if (m_home && out) {
        m_home->removeWidget(m_view);
        layout()->addWidget(m_view);
        m_view->show();
    }
    setVisible(out);
    if (m_home && !out) {
        layout()->removeWidget(m_view);
        m_home->insertWidget(m_home->indexOf(m_place) + 1, m_view, m_stretch);
    }
    emit changed(out);
}

void OwnWindow::closeEvent(QCloseEvent* e) {
    set(false);
    e->accept();
}

void OwnWindow::remember() const {
    QSettings().setValue("layout/" + m_id + "/out", m_out);
    QSettings().setValue("layout/" + m_id + "/geometry", saveGeometry());
}

void OwnWindow::restore() {
    restoreGeometry(QSettings().value("layout/" + m_id + "/geometry").toByteArray());
    set(QSettings().value("layout/" + m_id + "/out", false).toBool());
}

}  // namespace rivlen
