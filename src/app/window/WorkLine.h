#pragma once
#include <QLabel>
#include <QProgressBar>
#include <QPushButton>
#include <QWidget>

#include "app/hearing/Hearing.h"
#include "app/work/Work.h"

namespace rivlen {

/// The last line of the window: the running job with progress, time left and cancel, or the last message.
/// Notices (something went wrong) stay until they are dismissed.
class WorkLine : public QWidget {
    Q_OBJECT
public:
    explicit WorkLine(Hearing& hearing, Work& work, QWidget* parent = nullptr);
    void tick();
    /// What would usually be done now, offered at the end of the line; empty: nothing.
    void propose(const QString& step);
    QString noticeText() const { return m_notice->isHidden() ? QString() : m_notice->text(); }

signals:
    void nextWanted();  ///< what was proposed is to be done

private:
    Hearing& m_hearing;
    Work& m_work;
    QLabel *m_text, *m_notice;
    QProgressBar* m_bar;
    QPushButton *m_cancel, *m_dismiss, *m_next;
    QString m_message;
    int m_job = 0;
    JobQueue* m_queue = nullptr;  ///< the one that m_job is in
};

}  // namespace rivlen
