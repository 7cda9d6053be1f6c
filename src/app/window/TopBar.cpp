#include "app/window/TopBar.h"

#include <QHBoxLayout>

#include "app/widgets/Theme.h"
#include "app/words/Say.h"

namespace rivlen {

TopBar::TopBar(Document& document, Reels& reels, const DispatchDesk& dispatch, QWidget* parent)
    : QWidget(parent), m_document(document) {
    m_course = new CourseBar(document, reels);
    m_course->askAboutDispatch([&dispatch] {
        switch (dispatch.standing()) {
            case DispatchDesk::Standing::InWork: return CourseBar::State::InWork;
            case DispatchDesk::Standing::Delivered: return CourseBar::State::Done;
            case DispatchDesk::Standing::Refused: return CourseBar::State::Attention;
            default: return CourseBar::State::Empty;
        }
    });
    connect(&dispatch, &DispatchDesk::changed, m_course, qOverload<>(&QWidget::update));
    m_course->setMinimumWidth(560);
    m_course->setFixedHeight(52);
    m_name = new QLabel;
    m_name->setFont(theme::font(13, QFont::Medium));
    m_undo = new QPushButton(say("Undo"));
    m_undo->setObjectName("undo");
    m_redo = new QPushButton(say("Redo"));
    m_redo->setObjectName("redo");
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 4, 12, 4);
    row->setSpacing(6);
    row->addWidget(m_course);
    row->addStretch();
    row->addWidget(m_name);
    row->addSpacing(12);
    row->addWidget(m_undo);
    row->addWidget(m_redo);
    connect(m_undo, &QPushButton::clicked, &document, &Document::undo);
    connect(m_redo, &QPushButton::clicked, &document, &Document::redo);
}

void TopBar::refresh() {
    const History& history = m_document.history();
    const auto text = [](const std::string& s) { return QString::fromStdString(s); };
    m_name->setText(text(m_document.session().name) + (history.modified() ? say("  ·  not saved") : ""));
    m_undo->setEnabled(history.canUndo());
    m_redo->setEnabled(history.canRedo());
    m_undo->setToolTip(say("Undo: ") + text(history.undoName()) + say(" (Ctrl+Z)"));
    m_redo->setToolTip(say("Redo: ") + text(history.redoName()) + say(" (Ctrl+Shift+Z)"));
}

}  // namespace rivlen
