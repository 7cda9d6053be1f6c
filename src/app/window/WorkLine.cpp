#include "app/window/WorkLine.h"
#include "app/widgets/Theme.h"

#include <QHBoxLayout>
#include <QShortcut>

#include "app/words/Say.h"
#include "core/media/Timecode.h"

namespace rivlen {

WorkLine::WorkLine(Hearing& hearing, Work& work, QWidget* parent) : QWidget(parent), m_hearing(hearing), m_work(work) {
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(12, 2, 12, 6);
    m_notice = new QLabel;
    m_notice->setObjectName("notice");
    m_notice->setWordWrap(true);
    m_notice->setStyleSheet(theme::sheet("color: @attention"));
    m_notice->setTextInteractionFlags(Qt::TextSelectableByMouse);
    m_dismiss = new QPushButton(say("Dismiss"));
    m_dismiss->setToolTip(say("Take this message away (Esc)"));
    m_text = new QLabel;
    m_text->setStyleSheet(theme::sheet("color: @quiet"));
    m_bar = new QProgressBar;
    m_bar->setRange(0, 1000);
    m_bar->setTextVisible(false);
    m_bar->setFixedSize(180, 6);
    m_bar->setStyleSheet(theme::sheet(
        "QProgressBar { background: @line; border: 0; border-radius: 3px; } QProgressBar::chunk { background: "
        "@ink; border-radius: 3px; }"));
    m_cancel = new QPushButton(say("Cancel"));
    m_cancel->setStyleSheet("padding: 2px 10px");
    row->addWidget(m_notice, 1);
    row->addWidget(m_dismiss);
    row->addWidget(m_text, 1);
    row->addWidget(m_bar);
    row->addWidget(m_cancel);
    m_next = new QPushButton;
    m_next->setObjectName("nextstep");
    m_next->setToolTip(say("What would usually be done now (Return); View, Propose the next step switches this off"));
    m_next->setStyleSheet(
        theme::sheet("QPushButton { padding: 2px 10px; color: @quiet; background: transparent; border: 0 } "
                     "QPushButton:hover, QPushButton:focus { color: @ink }"));
    m_next->hide();
    row->addWidget(m_next);
    connect(m_next, &QPushButton::clicked, this, &WorkLine::nextWanted);
    setMinimumHeight(32);
    const auto dismiss = [this] {
        m_notice->hide();
        tick();
    };
    connect(m_dismiss, &QPushButton::clicked, this, dismiss);
    connect(new QShortcut(Qt::Key_Escape, this), &QShortcut::activated, this, dismiss);
    connect(m_cancel, &QPushButton::clicked, this, [this] {
        if (m_queue) m_queue->cancel(m_job);
    });
    connect(&work, &Work::warned, this, [this](const QString& s) {
        m_notice->setText("! " + s);
        m_notice->show();
        tick();
    });
    connect(&work, &Work::reported, this, [this](const QString& s) {
        m_message = s;
        tick();
    });
    m_notice->hide();
    tick();
}

void WorkLine::propose(const QString& step) {
    m_next->setText("Return:  " + step);
    m_next->setVisible(!step.isEmpty());
}

void WorkLine::tick() {
    std::vector<JobQueue::Status> jobs;
    for (const auto& [queue, after] : m_work.shown()) {
        m_queue = queue;
        jobs = queue->status();
        if (!jobs.empty() && jobs.front().secondsSpent >= after) break;
        jobs.clear();
    }
    const bool notice = !m_notice->isHidden();
    m_dismiss->setVisible(notice);
    m_bar->setVisible(!jobs.empty());
    m_cancel->setVisible(!jobs.empty());
    m_text->setVisible(!notice || !jobs.empty());
    if (jobs.empty()) {
        m_text->setText(
            m_message.isEmpty()
                ? say("Sound: %1. All work stays on this machine.").arg(said(m_hearing.player().deviceName()))
                : m_message);
        return;
    }
    m_job = jobs.front().id;
    m_bar->setValue(int(jobs.front().fraction * 1000));
    QString text = QString("%1: %2 %").arg(said(jobs.front().title)).arg(int(jobs.front().fraction * 100));
    if (jobs.front().secondsLeft >= 0)
        text += ", " + QString::fromStdString(formatDuration(jobs.front().secondsLeft)) + say(" left");
    if (jobs.size() > 1) text += say(" · %1 more waiting").arg(jobs.size() - 1);
    m_text->setText(text);
}

}  // namespace rivlen
