#include "app/rebuild/PartBalances.h"

#include <QSignalBlocker>

#include "app/widgets/PanelParts.h"
#include "app/words/Say.h"
#include "core/base/Error.h"
#include "core/isolation/StemNames.h"
#include "core/rebuild/PartLanes.h"

namespace rivlen {

namespace {

/// "vocals silent, drums -9 dB".
QString inWords(const PartBalance& balance) {
    QStringList words;
    for (const auto& part : partsOf(balance.stem))
        if (const auto found = balance.levels.find(part); found != balance.levels.end() && found->second != 0)
            words << within(said(partTitle(part))) + (found->second <= kSilentLevel
                                                          ? say(" silent")
                                                          : QString(" %1 dB").arg(found->second, 0, 'f', 0));
    return words.isEmpty() ? say("every part at 0 dB") : words.join(", ");
}

}  // namespace

PartBalances::PartBalances(const Document& document, RebuildDesk& desk, PartTools& tools, QWidget* parent)
    : QWidget(parent), m_document(document), m_desk(desk), m_tools(tools) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 8, 0, 0);
    column->setSpacing(6);
    m_over = addPageText(column);
    m_over->setObjectName("balanceover");
    for (const auto& stem : stemsWithParts()) addSection(column, stem);
    column->addStretch();
    connect(&desk, &RebuildDesk::changed, this, &PartBalances::refresh);
    for (auto& section : m_sections) reload(*section);
    refresh();
}

void PartBalances::addSection(QBoxLayout* column, const std::string& stem) {
    m_sections.push_back(std::make_unique<Section>());
    Section& s = *m_sections.back();
    s.stem = stem;
    const QString name = QString::fromStdString(stem);
    const int place = int(stemPlace(stem));
    addPageHeading(column, theme::stemLetter(place) + "  " + theme::stemName(place));
    auto* first = new QHBoxLayout;
    QStringList parts;
    for (const auto& part : partsOf(stem)) parts << within(said(partTitle(part)));
    s.lay = makeSmallButton(("lay" + stem).c_str(), say("Lay in parts"),
                            say("Lays %1 on lanes of their own").arg(parts.join(", ")));
    first->addWidget(s.lay);
    connect(s.lay, &QPushButton::clicked, this, [this, stem] { m_tools.lay(stem); });
    if (stem == "music") {
        m_instrumental = makeSmallButton("instrumental", say("Instrumental"),
                                         say("The music without its vocals, in one step; again: with them (Shift+I)"));
        first->addWidget(m_instrumental);
        connect(m_instrumental, &QPushButton::clicked, this, [this] { m_tools.instrumental(); });
    }
    first->addStretch();
    column->addLayout(first);
    auto* second = new QHBoxLayout;
    s.balances = new QComboBox;
    s.balances->setObjectName("balances" + name);
    s.balances->setAccessibleName(say("Balances of the ") + name);
    s.use = makeSmallButton(("usebalance" + stem).c_str(), say("Use"),
                            say("Sets the levels of the parts: over the loop, or without one over the whole reel"));
    s.remove = makeSmallButton(("removebalance" + stem).c_str(), say("Remove"), say("Removes a balance of your own"));
    second->addWidget(s.balances, 1);
    second->addWidget(s.use);
    second->addWidget(s.remove);
    column->addLayout(second);
    auto* third = new QHBoxLayout;
    s.name = new QLineEdit;
    s.name->setObjectName("balancename" + name);
    s.name->setPlaceholderText(say("Name of a balance of your own"));
    s.name->setAccessibleName(s.name->placeholderText());
    s.keep = makeSmallButton(("keepbalance" + stem).c_str(), say("Keep"),
                             say("Keeps the levels that the parts have at the playhead"));
    third->addWidget(s.name, 1);
    third->addWidget(s.keep);
    column->addLayout(third);
    auto* fourth = new QHBoxLayout;
    s.reels = new QComboBox;
    s.reels->setObjectName("remixreels" + name);
    s.reels->setAccessibleName(say("Reels with their %1 in parts").arg(name));
    s.take = makeSmallButton(("takeremix" + stem).c_str(), say("Take its remix"),
                             say("Gives this reel the levels, also drawn ones, of that reel's parts"));
    fourth->addWidget(s.reels, 1);
    fourth->addWidget(s.take);
    column->addLayout(fourth);
    column->addSpacing(10);
    connect(s.use, &QPushButton::clicked, this, [this, &s] {
        if (const PartBalance* b = chosen(s)) m_tools.balance(*b);
    });
    connect(s.keep, &QPushButton::clicked, this, [this, &s] {
        m_tools.keepBalance(s.stem, s.name->text());
        s.name->clear();
        reload(s);
        refresh();
    });
    connect(s.name, &QLineEdit::returnPressed, s.keep, &QPushButton::click);
    connect(s.remove, &QPushButton::clicked, this, [this, &s] {
        if (const PartBalance* b = chosen(s)) try {
                removeBalance(*b);
            } catch (const Error& e) {
                m_desk.tell(QString::fromStdString(e.what()));
            }
        reload(s);
        refresh();
    });
    connect(s.balances, &QComboBox::currentIndexChanged, this, &PartBalances::refresh);
    connect(s.take, &QPushButton::clicked, this,
            [this, &s] { m_tools.takeFrom(s.reels->currentData().toString().toStdString(), s.stem); });
}

const PartBalance* PartBalances::chosen(const Section& s) const {
    const auto index = size_t(std::max(0, s.balances->currentIndex()));
    return index < s.known.size() ? &s.known[index] : nullptr;
}

void PartBalances::reload(Section& s) {
    const QSignalBlocker quiet(s.balances);
    const QString before = s.balances->currentText();
    s.known = listBalances(s.stem);
    s.balances->clear();
    for (const auto& b : s.known) {
        s.balances->addItem(said(b.name));
        s.balances->setItemData(s.balances->count() - 1, inWords(b), Qt::ToolTipRole);
    }
    s.balances->setCurrentIndex(std::max(0, s.balances->findText(before)));
}

void PartBalances::refresh() {
    setEnabled(m_desk.ready());
    m_over->setText(m_desk.loop()
                        ? say("A balance is laid over the loop, faded at its ends; Escape takes the loop away.")
                        : say("A balance is laid over the whole reel; with a loop over the loop alone."));
    for (auto& section : m_sections) {
        Section& s = *section;
        const bool laid = usesPartsOf(m_desk.rebuild(), s.stem);
        s.lay->setEnabled(!laid);
        s.keep->setEnabled(laid);
        const PartBalance* b = chosen(s);
        s.balances->setToolTip(b ? inWords(*b) : QString());
        s.remove->setEnabled(b && std::none_of(shippedBalances().begin(), shippedBalances().end(),
                                               [&](const auto& x) { return x.stem == b->stem && x.name == b->name; }));
        const QSignalBlocker quiet(s.reels);
        const QString before = s.reels->currentData().toString();
        s.reels->clear();
        for (const Reel& reel : m_document.session().reels)
            if (&reel != m_document.reel() && usesPartsOf(*reel.rebuild, s.stem))
                s.reels->addItem(QString::fromStdString(reel.name), QString::fromStdString(reel.id));
        s.reels->setCurrentIndex(std::max(0, s.reels->findData(before)));
        s.reels->setEnabled(s.reels->count() > 0);
        s.take->setEnabled(s.reels->count() > 0);
        if (s.reels->count() == 0) s.reels->addItem(say("No other reel has it in parts"));
    }
}

}  // namespace rivlen
