#include "app/split/MarkControls.h"

#include <QHBoxLayout>
#include <QSignalBlocker>
#include <QVBoxLayout>
#include <cmath>

#include "app/split/SceneControls.h"
#include "app/widgets/PanelParts.h"
#include "app/words/Say.h"
#include "core/isolation/StemNames.h"
#include "core/media/Timecode.h"

namespace rivlen {

namespace {

constexpr double kLeaks = -20;  // dB: more of a sound in another stem is heard

/// Minutes, seconds and tenths: marks are short.
QString shortTime(double seconds) {
    const auto tenths = std::llround(seconds * 10);
    return QString::fromStdString(formatDuration(double(tenths / 10))) + "." + QString::number(tenths % 10);
}

}  // namespace

MarkControls::MarkControls(MarkDesk& desk, SceneDesk& scenes, Hearing& hearing, QWidget* parent)
    : QWidget(parent), m_desk(desk), m_hearing(hearing) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 8, 0, 0);
    column->setSpacing(6);
    addPageHeading(column, say("What alone is heard where"));
    m_text = addPageText(column);
    column->addSpacing(4);
    addPageText(column, say("In the loop there is only"));
    auto* only = new QHBoxLayout;
    only->setSpacing(6);
    for (size_t s = 0; s < kStemCount; ++s) {
        const QString letter = theme::stemLetter(int(s)), name = within(theme::stemName(int(s)));
        m_only[s] = makeSmallButton(("only" + kStemNames[s]).c_str(), letter + "  " + theme::stemName(int(s)),
                                    say("Says that nothing but %1 is heard in the loop (Shift+%2)").arg(name, letter));
        m_only[s]->setStyleSheet("QPushButton { padding: 3px 6px }");
        only->addWidget(m_only[s], 1);
        connect(m_only[s], &QPushButton::clicked, this, [this, s] { m_desk.add(kStemNames[s]); });
    }
    column->addLayout(only);
    m_list = new QListWidget;
    m_list->setObjectName("marks");
    m_list->setAccessibleName(say("Marks"));
    m_list->setStyleSheet("QListWidget::item { padding: 2px 6px; }");
    m_list->setToolTip(
        say("Marks, and what Rivlen proposes where the split was sure. N and Shift+N step through them."));
    m_list->setMinimumHeight(70);
    column->addWidget(m_list, 1);
    auto* row = new QHBoxLayout;
    row->setSpacing(6);
    m_hear = makeSmallButton("hearmark", say("Hear"), say("Plays it in a loop (N: the next one)"));
    m_accept = makeSmallButton("acceptmark", say("Take it"), say("Makes the proposal a mark (K)"));
    m_take = makeSmallButton("removemark", say("Remove"), say("Removes the mark, or dismisses the proposal (Shift+K)"));
    for (auto* b : {m_hear, m_accept, m_take}) row->addWidget(b);
    row->addStretch();
    column->addLayout(row);
    column->addSpacing(8);
    column->addWidget(new SceneControls(scenes));
    connect(m_list, &QListWidget::currentRowChanged, this, [this](int r) { m_desk.choose(r); });
    connect(m_list, &QListWidget::itemActivated, &m_desk, &MarkDesk::hear);
    connect(m_hear, &QPushButton::clicked, &m_desk, &MarkDesk::hear);
    connect(m_accept, &QPushButton::clicked, &m_desk, &MarkDesk::accept);
    connect(m_take, &QPushButton::clicked, &m_desk, &MarkDesk::takeAway);
    connect(&m_desk, &MarkDesk::changed, this, &MarkControls::refresh);
    connect(&m_hearing, &Hearing::changed, this, &MarkControls::refresh);
    refresh();
}

void MarkControls::refresh() {
    const QSignalBlocker quiet(m_list);
    const bool looped = m_hearing.loop().has_value();
    for (auto* b : m_only) b->setEnabled(looped);
    std::optional<double> worst;
    while (m_list->count() > int(m_desk.count())) delete m_list->takeItem(m_list->count() - 1);
    while (m_list->count() < int(m_desk.count())) m_list->addItem("");
    for (int i = 0; i < int(m_desk.count()); ++i) {
        const Mark& mark = m_desk.at(i);
        const int stem = int(stemPlace(mark.stem));
        auto* item = m_list->item(i);
        const auto leak = m_desk.leak(i);
        QString text = QString("%1  %2 – %3  ").arg(theme::stemLetter(stem), shortTime(mark.from), shortTime(mark.to));
        if (m_desk.proposed(i)) text += say("proposed");
        else if (leak) text += say("others %1 dB").arg(*leak, 0, 'f', 0);
        else text += say("only ") + within(theme::stemName(stem));
        item->setText(text);
        item->setToolTip(leak ? say("Only %1 is heard there; in the other stems it is %2 dB down")
                                    .arg(within(theme::stemName(stem)))
                                    .arg(-*leak, 0, 'f', 1)
                              : QString());
        item->setForeground(m_desk.proposed(i)       ? theme::quietInk
                            : leak && *leak > kLeaks ? theme::attention
                                                     : theme::stemColor(stem));
        if (!m_desk.proposed(i) && leak) worst = std::max(worst.value_or(-100), *leak);
    }
    m_text->setText(
        m_desk.count() == 0
            ? say("You know things about this recording that no network can know. Loop a span in which only one thing "
                  "is heard - a pause with nothing but the engine, a word without the band - and say which. The "
                  "split is measured there, and once it is made Rivlen proposes such spans where it was sure.")
        : worst ? say("Where you say that one thing is alone, it is in the other stems too: %1 dB down at worst%2.")
                      .arg(-*worst, 0, 'f', 0)
                      .arg(*worst > kLeaks ? say(", which can be heard. Compare another quality or network") : "")
        : m_desk.proposals().empty() ? say("The split will be measured where one thing is alone.")
                                     : say("Proposals are dashed: hear them before you take them."));
    m_list->setCurrentRow(m_desk.chosen());
    const bool chosen = m_desk.chosen() >= 0;
    for (auto* b : {m_hear, m_take, m_accept}) b->setVisible(m_desk.count() > 0);
    m_hear->setEnabled(chosen);
    m_take->setEnabled(chosen);
    m_take->setText(chosen && m_desk.proposed(m_desk.chosen()) ? say("Dismiss") : say("Remove"));
    m_accept->setEnabled(chosen && m_desk.proposed(m_desk.chosen()));
}

}  // namespace rivlen
