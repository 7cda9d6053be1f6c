#include "app/intake/FaultControls.h"
#include "app/widgets/Theme.h"

#include <QHBoxLayout>
#include <QSignalBlocker>
#include <QVBoxLayout>
#include <cmath>

#include "app/widgets/PanelParts.h"
#include "app/words/Say.h"
#include "core/media/Timecode.h"

namespace rivlen {

namespace {
QString contentWords(Content c) {
    return c == Content::Speech ? say("speech") : c == Content::Music ? say("music") : say("speech and other sound");
}
}  // namespace

FaultControls::FaultControls(Document& document, Reels& reels, TreatmentDesk& desk, QWidget* parent)
    : QWidget(parent), m_document(document), m_reels(reels), m_desk(desk) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 8, 0, 0);
    column->setSpacing(6);
    auto* row = new QHBoxLayout;
    auto* holds = new QLabel(say("Holds"));
    holds->setStyleSheet(theme::sheet("color: @quiet"));
    m_content = new QComboBox;
    m_content->setObjectName("content");
    m_content->setAccessibleName(say("What this reel holds"));
    m_content->setToolTip(say(
        "What counts as a fault depends on what the reel holds: a drum is no plosive. Say otherwise where Rivlen is "
        "wrong."));
    row->addWidget(holds);
    row->addWidget(m_content, 1);
    column->addLayout(row);
    m_heading = addPageHeading(column, "");
    m_list = new QListWidget;
    m_list->setObjectName("findings");
    m_list->setAccessibleName(say("Faults of this reel"));
    m_list->setStyleSheet("QListWidget::item { padding: 3px 6px; }");
    m_list->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    m_list->setToolTip(say("A click or Return plays a fault in a loop"));
    column->addWidget(m_list, 1);
    m_about = addPageText(column);
    m_about->setObjectName("faultabout");
    m_about->setFixedHeight(66);
    m_about->setAlignment(Qt::AlignTop);
    auto* buttons = new QHBoxLayout;
    buttons->setSpacing(6);
    m_accept = makeSmallButton("acceptFinding", say("Accept"), say("Puts the proposed treatment to work"));
    m_adjust =
        makeSmallButton("adjustFinding", say("Adjust"), say("Accepts it and goes to the amount of its treatment"));
    m_dismiss = makeSmallButton("dismissFinding", say("Dismiss"),
                                say("This is no fault: nothing is proposed against it any more"));
    m_all = makeSmallButton("acceptAllFindings", say("Accept all"),
                            say("Puts all proposed treatments to work, in the sensible order"));
    for (auto* b : {m_accept, m_adjust, m_dismiss, m_all}) buttons->addWidget(b);
    column->addLayout(buttons);
    connect(m_list, &QListWidget::itemClicked, this, [this] { m_desk.hearFault(m_list->currentRow()); });
    connect(m_list, &QListWidget::itemActivated, this, [this] { m_desk.hearFault(m_list->currentRow()); });
    connect(m_list, &QListWidget::currentRowChanged, &m_desk, &TreatmentDesk::chooseFault);
    connect(m_accept, &QPushButton::clicked, this, [this] {
        if (const Finding* f = at(m_list->currentRow())) m_desk.accept(*f);
    });
    connect(m_adjust, &QPushButton::clicked, this, [this] {
        const Finding* f = at(m_list->currentRow());
        if (!f) return;
        const QString id = entryOf(f->kind).treatment;
        m_desk.accept(Finding(*f));
        emit treatmentWanted(id);
    });
    connect(m_dismiss, &QPushButton::clicked, this, [this] {
        if (const Finding* f = at(m_list->currentRow()))
            m_desk.dismiss(Finding(*f), m_desk.verdict(*f) != TreatmentDesk::Verdict::Dismissed);
    });
    connect(m_all, &QPushButton::clicked, &m_desk, &TreatmentDesk::acceptAll);
    connect(m_content, &QComboBox::activated, this,
            [this](int i) { m_desk.sayContent(i == 0 ? "" : contentName(Content(i - 1))); });
    connect(&m_desk, &TreatmentDesk::changed, this, &FaultControls::refresh);
    refresh();
}

void FaultControls::refresh() {
    const Reel* reel = m_document.reel();
    const ReelFacts* state = m_reels.current();
    const auto found = m_desk.found();
    m_found = found.value_or(std::vector<Finding>{});
    m_content->setEnabled(reel);
    const auto heard = found ? state->diagnosis->content : std::nullopt;
    QStringList contents{say("as found: ") + (heard ? contentWords(*heard)
                                                    : QString(found ? say("too short to tell") : say("not known yet"))),
                         say("speech"), say("music"), say("speech and other sound")};
    const QSignalBlocker quietContent(m_content);
    if (m_content->itemText(0) != contents[0]) {
        m_content->clear();
        m_content->addItems(contents);
    }
    int chosen = 0;
    for (int i = 0; reel && i < 3; ++i)
        if (reel->content == contentName(Content(i))) chosen = i + 1;
    m_content->setCurrentIndex(chosen);
    const auto open = std::count_if(m_found.begin(), m_found.end(), [this](const Finding& f) {
        return m_desk.verdict(f) == TreatmentDesk::Verdict::Open;
    });
    m_heading->setText(!reel    ? ""
                       : !found ? (state->missing ? "" : say("Looking for faults…"))
                       : m_found.empty()
                           ? say("No faults were found")
                           : (m_found.size() == 1 ? say("One fault") : say("%1 faults").arg(m_found.size())) +
                                 say(", %1 open").arg(open));
    m_list->setVisible(!m_found.empty());
    const QSignalBlocker quiet(m_list);
    while (m_list->count() > int(m_found.size())) delete m_list->takeItem(m_list->count() - 1);
    for (int i = 0; i < int(m_found.size()); ++i) {
        const Finding& f = m_found[size_t(i)];
        const auto verdict = m_desk.verdict(f);
        const bool whole = f.to - f.from > 0.9 * state->info->duration();
        const QString mark = verdict == TreatmentDesk::Verdict::Accepted    ? QString(QChar(0x2713))
                             : verdict == TreatmentDesk::Verdict::Dismissed ? QString(QChar(0x2013))
                                                                            : QString(QChar(0x2022));
        const QString text =
            mark + "  " + said(describe(f)) +
            (whole ? QString() : QString("  –  %1").arg(QString::fromStdString(formatTime(f.from)).chopped(2)));
        if (i >= m_list->count()) m_list->addItem(text);
        auto* item = m_list->item(i);
        if (item->text() != text) item->setText(text);
        item->setForeground(verdict == TreatmentDesk::Verdict::Accepted    ? theme::good
                            : verdict == TreatmentDesk::Verdict::Dismissed ? theme::dim
                                                                           : theme::ink);
    }
    m_list->setCurrentRow(m_desk.chosenFault());
    refreshButtons();
}

void FaultControls::refreshButtons() {
    const Finding* f = at(m_list->currentRow());
    const bool treatable = f && *entryOf(f->kind).treatment;
    const bool dismissed = f && m_desk.verdict(*f) == TreatmentDesk::Verdict::Dismissed;
    m_accept->setEnabled(treatable && m_desk.verdict(*f) != TreatmentDesk::Verdict::Accepted);
    m_adjust->setEnabled(treatable);
    m_dismiss->setEnabled(f);
    m_dismiss->setText(dismissed ? say("Take back") : say("Dismiss"));
    m_all->setEnabled(std::any_of(m_found.begin(), m_found.end(), [this](const Finding& g) {
        return *entryOf(g.kind).treatment && m_desk.verdict(g) == TreatmentDesk::Verdict::Open;
    }));
    if (!f) {
        m_about->setText(m_found.empty() ? "" : say("Choose one to hear it and read what it is."));
        return;
    }
    const auto& entry = entryOf(f->kind);
    QString text = say("%1 %2 % sure.").arg(said(entry.explanation)).arg(std::lround(100 * f->confidence));
    if (f->kind == Fault::Reverberation)
        text += say(" Direct to reverberant sound (D/R): about %1 dB.").arg(std::lround(f->level));
    if (treatable) {
        const auto& t = findTreatment(entry.treatment);
        text += say(" Proposed: %1, %2 %3.").arg(said(t.name)).arg(f->amount).arg(t.unit);
    }
    m_about->setText(text);
}

}  // namespace rivlen
