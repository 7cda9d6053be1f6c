#include "app/dispatch/QueueControls.h"
#include "app/widgets/Theme.h"

#include <QFileDialog>
#include <QHeaderView>
#include <QSignalBlocker>

#include "app/widgets/AskFolder.h"
#include "app/widgets/PanelParts.h"
#include "app/words/Say.h"

namespace rivlen {

namespace {

using State = DeliveryTask::State;

QString stateText(const DeliveryTask& t, bool paused) {
    switch (t.state) {
        case State::Waiting:
            return t.priority == DeliveryTask::Priority::First   ? say("waiting, first")
                   : t.priority == DeliveryTask::Priority::Later ? say("waiting, later")
                                                                 : say("waiting");
        case State::Running: return paused ? say("paused") : say("at work");
        case State::Done: return say("done");
        case State::HeldBack: return say("held back");
        case State::Failed: return say("failed");
    }
    return {};
}

QString facts(const DeliveryReport& r) {
    QStringList all;
    if (r.integrated) all << QString("%1 LUFS").arg(*r.integrated, 0, 'f', 1);
    if (r.truePeak) all << QString("%1 dBTP").arg(*r.truePeak, 0, 'f', 1);
    if (r.limited < -0.05) all << say("limited %1 dB").arg(r.limited, 0, 'f', 1);
    // Raising a programme raises its noise: that is said where it happens.
    const QString noise =
        r.noiseBefore && r.noiseAfter && std::abs(r.gain) > 0.05
            ? say("\n   noise floor %1 → %2 dBFS").arg(*r.noiseBefore, 0, 'f', 0).arg(*r.noiseAfter, 0, 'f', 0)
            : QString();
    return all.join(", ") + noise;
}

/// In lines of the panel's width: trees do not wrap what spans their columns.
QString wrapped(const QString& text, int most) {
    QString out, line;
    for (const QString& word : text.split(' ')) {
        if (!line.isEmpty() && line.size() + word.size() >= most) out += line + "\n", line.clear();
        line += (line.isEmpty() ? "" : " ") + word;
    }
    return out + line;
}

/// Item number i of a parent, made when it is missing: what is open stays open.
QTreeWidgetItem* subItem(QTreeWidgetItem* parent, int i) {
    while (parent->childCount() <= i) new QTreeWidgetItem(parent);
    return parent->child(i);
}

void cut(QTreeWidgetItem* parent, int count) {
    while (parent->childCount() > count) delete parent->takeChild(parent->childCount() - 1);
}

}  // namespace

QueueControls::QueueControls(DispatchDesk& desk, QWidget* parent) : QWidget(parent), m_desk(desk) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 8, 0, 0);
    column->setSpacing(6);
    m_state = addPageText(column);
    m_state->setObjectName("queuestate");
    m_bar = new QProgressBar;
    m_bar->setRange(0, 1000);
    m_bar->setTextVisible(false);
    m_bar->setFixedHeight(6);
    m_bar->setStyleSheet(theme::sheet(
        "QProgressBar { background: @line; border: 0; border-radius: 3px; } QProgressBar::chunk { background: "
        "@ink; border-radius: 3px; }"));
    column->addWidget(m_bar);
    auto* top = new QHBoxLayout;
    m_pause = makeSmallButton("queuepause", say("Pause"), say("Halts where it is; what is finished stays"));
    m_cancel = makeSmallButton("queuecancel", say("Cancel all"),
                               say("Stops, and takes out what waits; files that have their names stay"));
    auto* more = makeSmallButton("queuesession", say("Add session…"),
                                 say("Queues all reels of another session, as its file says"));
    for (auto* b : {m_pause, m_cancel}) top->addWidget(b);
    top->addStretch();
    top->addWidget(more);
    column->addLayout(top);
    m_tree = new QTreeWidget;
    m_tree->setObjectName("queue");
    m_tree->setAccessibleName(say("Queue"));
    m_tree->setColumnCount(2);
    m_tree->setHeaderHidden(true);
    m_tree->setIndentation(14);
    m_tree->setWordWrap(true);
    m_tree->header()->setSectionResizeMode(0, QHeaderView::Stretch);
    m_tree->header()->setSectionResizeMode(1, QHeaderView::ResizeToContents);
    m_tree->header()->setStretchLastSection(false);
    m_tree->setStyleSheet("QTreeWidget::item { padding: 2px 2px; }");
    column->addWidget(m_tree, 1);
    auto* bottom = new QHBoxLayout;
    m_priority = new QComboBox;
    m_priority->setObjectName("queuepriority");
    m_priority->setAccessibleName(say("Priority"));
    m_priority->setToolTip(say("When the chosen reel gets its turn"));
    m_priority->addItems({"first", say("as it came"), "later"});
    m_remove = makeSmallButton("queueremove", say("Remove"),
                               say("Takes the chosen reel out of the queue; one at work is cancelled"));
    m_again = makeSmallButton("queueagain", say("Try again"),
                              say("Tries the chosen reel once more; what is finished is not made again"));
    m_clear =
        makeSmallButton("queueclear", say("Clear ended"), say("Takes what is done out of the list; the files stay"));
    auto* label = new QLabel(say("Its turn"));
    bottom->addWidget(label);
    bottom->addWidget(m_priority, 1);
    bottom->addWidget(m_remove);
    column->addLayout(bottom);
    auto* ended = new QHBoxLayout;
    ended->addWidget(m_again, 1);
    ended->addWidget(m_clear, 1);
    column->addLayout(ended);

    connect(m_pause, &QPushButton::clicked, this, [this] {
        if (m_desk.leftOver() || m_desk.queue().paused()) m_desk.start();
        else m_desk.queue().setPaused(true);
    });
    connect(m_cancel, &QPushButton::clicked, &m_desk, &DispatchDesk::cancel);
    connect(more, &QPushButton::clicked, this, [this] {
        const QString file =
            QFileDialog::getOpenFileName(this, say("Session to dispatch"), {}, say("Sessions (*.rivlen)"));
        const QString folder = file.isEmpty() ? QString() : askFolder(this, say("Dispatch to"), "dispatch");
        if (!folder.isEmpty()) m_desk.dispatchSession(file, folder);
    });
    connect(m_priority, &QComboBox::activated, this,
            [this](int i) { m_desk.queue().setPriority(chosenTask(), DeliveryTask::Priority(i)); });
    connect(m_remove, &QPushButton::clicked, this, [this] { m_desk.queue().remove(chosenTask()); });
    connect(m_again, &QPushButton::clicked, this, [this] {
        m_desk.queue().retry(chosenTask());
        m_desk.start();
    });
    connect(m_clear, &QPushButton::clicked, this, [this] { m_desk.queue().clearEnded(); });
    connect(m_tree, &QTreeWidget::currentItemChanged, this, [this] { refresh(); });
    connect(&m_desk, &DispatchDesk::changed, this, &QueueControls::refresh);
    connect(&m_tick, &QTimer::timeout, this, &QueueControls::tick);
    m_tick.setInterval(250);
    refresh();
}

std::string QueueControls::chosenTask() const {
    QTreeWidgetItem* item = m_tree->currentItem();
    while (item && item->parent()) item = item->parent();
    return item ? item->data(0, Qt::UserRole).toString().toStdString() : std::string();
}

void QueueControls::fillTask(QTreeWidgetItem* item, const DeliveryTask& t) {
    // Hundreds of reels with their checks are drawn anew only where something happened.
    const QString now = QString("%1 %2 %3 %4 %5")
                            .arg(QString::fromStdString(t.id))
                            .arg(int(t.state))
                            .arg(int(t.priority))
                            .arg(t.reports.size())
                            .arg(m_desk.queue().paused());
    if (item->data(0, Qt::UserRole + 1).toString() == now) return;
    item->setData(0, Qt::UserRole + 1, now);
    item->setData(0, Qt::UserRole, QString::fromStdString(t.id));
    item->setText(0, QString::fromStdString(t.reel().name));
    item->setToolTip(
        0, say("%1, to %2").arg(QString::fromStdString(t.session.name), QString::fromStdString(t.folder.string())));
    item->setText(1, stateText(t, m_desk.queue().paused()));
    const bool bad = t.state == State::Failed || t.state == State::HeldBack;
    item->setForeground(1, bad ? theme::attention : t.state == State::Done ? theme::good : theme::quietInk);
    int row = 0;
    if (!t.error.empty()) {
        auto* why = subItem(item, row++);
        cut(why, 0);
        why->setText(0, wrapped(said(t.error), 40));
        why->setToolTip(0, said(t.error));
        why->setFirstColumnSpanned(true);
        why->setForeground(0, theme::attention);
    }
    for (const auto& r : t.reports) {
        auto* file = subItem(item, row++);
        const QString what = facts(r);
        file->setText(0, QString("%1 %2")
                                 .arg(r.heldBack ? QChar(0x2717) : QChar(0x2713))
                                 .arg(QString::fromStdString(r.path.filename().string())) +
                             (what.isEmpty() ? QString() : "\n   " + what));
        file->setFirstColumnSpanned(true);
        file->setForeground(0, r.heldBack ? theme::attention : theme::ink);
        file->setToolTip(0, said(r.format));
        cut(file, int(r.checks.size()));
        for (size_t c = 0; c < r.checks.size(); ++c) {
            auto* check = subItem(file, int(c));
            const QString line = QString("%1 %2: %3")
                                     .arg(r.checks[c].passed ? QChar(0x2713) : QChar(0x2717))
                                     .arg(said(r.checks[c].name), said(r.checks[c].detail));
            check->setText(0, wrapped(line, 37));
            check->setToolTip(0, line);
            check->setFirstColumnSpanned(true);
            check->setForeground(0, r.checks[c].passed ? theme::quietInk : theme::attention);
        }
        if (r.heldBack) file->setExpanded(true);
    }
    cut(item, row);
}

void QueueControls::refresh() {
    const QSignalBlocker blocker(m_tree);
    const auto tasks = m_desk.queue().tasks();
    while (m_tree->topLevelItemCount() > int(tasks.size()))
        delete m_tree->takeTopLevelItem(m_tree->topLevelItemCount() - 1);
    const DeliveryTask* chosen = nullptr;
    for (size_t i = 0; i < tasks.size(); ++i) {
        if (m_tree->topLevelItemCount() <= int(i)) {
            auto* item = new QTreeWidgetItem(m_tree);
            item->setExpanded(true);
        }
        fillTask(m_tree->topLevelItem(int(i)), tasks[i]);
        if (tasks[i].id == chosenTask()) chosen = &tasks[i];
    }
    const bool ended = chosen && chosen->state != State::Waiting && chosen->state != State::Running;
    m_priority->setEnabled(chosen && chosen->state == State::Waiting);
    if (chosen) m_priority->setCurrentIndex(int(chosen->priority));
    m_remove->setEnabled(chosen);
    m_again->setEnabled(ended && chosen->state != State::Done);
    m_clear->setEnabled(std::any_of(tasks.begin(), tasks.end(), [](const auto& t) {
        return t.state != State::Waiting && t.state != State::Running;
    }));
    m_pause->setEnabled(m_desk.queue().waiting());
    m_pause->setText(m_desk.leftOver() || m_desk.queue().paused() ? say("Go on") : say("Pause"));
    m_cancel->setEnabled(m_desk.queue().waiting());
    tick();
}

void QueueControls::tick() {
    if (m_desk.busy() != m_tick.isActive()) m_desk.busy() ? m_tick.start() : m_tick.stop();
    const auto tasks = m_desk.queue().tasks();
    const auto waiting = std::count_if(tasks.begin(), tasks.end(), [](const auto& t) {
        return t.state == State::Waiting || t.state == State::Running;
    });
    m_bar->setVisible(waiting > 0);
    m_bar->setValue(int(1000 * m_desk.queue().fraction()));
    QString text;
    if (tasks.empty()) text = say("Nothing is queued. Dispatch… on the first page puts the ticked deliverables here.");
    else if (waiting == 0) {
        const auto done =
            std::count_if(tasks.begin(), tasks.end(), [](const auto& t) { return t.state == State::Done; });
        text = say("%1 of %2 reels delivered whole; the reports lie beside the files.").arg(done).arg(tasks.size());
    } else if (m_desk.leftOver())
        text = (waiting == 1 ? say("One reel is left from last time: Go on takes up where it stopped.")
                             : say("%1 reels are left from last time: Go on takes up where it stopped.").arg(waiting));
    else {
        text =
            say("%1 of %2 reels to go, %3 %").arg(waiting).arg(tasks.size()).arg(int(100 * m_desk.queue().fraction()));
        if (const QString left = m_desk.timeLeft(); !left.isEmpty()) text += ", " + left + say(" left");
        if (const auto at = m_desk.queue().at(); !at.empty()) text += "\n" + QString::fromStdString(at);
    }
    if (m_desk.queue().paused() && waiting > 0) text += say("\nPaused.");
    if (m_state->text() != text) m_state->setText(text);
}

}  // namespace rivlen
