#pragma once
#include <QLabel>
#include <QPushButton>

#include "app/dispatch/DispatchDesk.h"
#include "app/window/CourseBar.h"

namespace rivlen {

/// The top of the window: the course, the session's name, undo and redo.
class TopBar : public QWidget {
    Q_OBJECT
public:
    TopBar(Document& document, Reels& reels, const DispatchDesk& dispatch, QWidget* parent = nullptr);
    void refresh();

private:
    Document& m_document;
    CourseBar* m_course;
    QLabel* m_name;
    QPushButton *m_undo, *m_redo;
};

}  // namespace rivlen
