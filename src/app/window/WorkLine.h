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
    QString noticeText() const { return m_notice->isHidden() ? QString() : m_notice->text(); }

private:
    Hearing& m_hearing;
    Work& m_work;
    QLabel *m_text, *m_notice;
    QProgressBar* m_bar;
    QPushButton *m_cancel, *m_dismiss;
    QString m_message;
    int m_job = 0;
    JobQueue* m_queue = nullptr;  ///< the one that m_job is in
};

}  // namespace rivlen
