#include "app/intake/TreatmentControls.h"
#include "app/widgets/Theme.h"

#include <QHBoxLayout>
#include <QMenu>
#include <QScrollArea>
#include <QSignalBlocker>
#include <stdexcept>

#include "app/widgets/PanelParts.h"
#include "app/words/Say.h"

namespace rivlen {

namespace {

QString amountText(const TreatmentEntry& t, double amount) { return QString("%1 %2").arg(amount).arg(t.unit); }

double amountFrom(const TreatmentEntry& t, QString text) {
    if (text.endsWith(t.unit)) text.chop(int(std::string(t.unit).size()));
    bool number = false;
    const double amount = text.trimmed().toDouble(&number);
    if (!number || amount < t.minimum || amount > t.maximum)
        throw std::invalid_argument(say("\"%1\" is not an amount for %2: type %3 to %4 %5.")
                                        .arg(text.trimmed(), t.name)
                                        .arg(t.minimum)
                                        .arg(t.maximum)
                                        .arg(t.unit)
                                        .toStdString());
    return amount;
}

}  // namespace

TreatmentControls::TreatmentControls(Document& document, Reels& reels, Work& work, TreatmentDesk& desk, QWidget* parent)
    : QWidget(parent), m_document(document), m_reels(reels), m_work(work), m_desk(desk) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 8, 0, 0);
    column->setSpacing(6);
    auto* top = new QHBoxLayout;
    m_add = makeSmallButton("addTreatment", say("Add"), say("Adds a treatment at its sensible place"));
    auto* menu = new QMenu(m_add);
    for (const auto& t : treatmentTable()) {
        auto* action = menu->addAction(said(t.name), this, [this, id = std::string(t.id)] {
            m_desk.add(id);
            choose(QString::fromStdString(id));
        });
        action->setObjectName(QString("add_%1").arg(t.id));
        action->setToolTip(said(t.explanation));
    }
    menu->setToolTipsVisible(true);
    m_add->setMenu(menu);
    m_order = makeSmallButton("sensibleOrder", say("Sensible order"),
                              say("Single samples first, then what is steady, the voice's own last"));
    m_hearAll = makeSmallButton("hearAllRemoved", say("Hear removed"),
                                say("Loops a stretch of what all treatments together take away"));
    top->addWidget(m_add);
    top->addWidget(m_order);
    top->addWidget(m_hearAll, 1);
    column->addLayout(top);
    m_state = addPageText(column);
    m_state->setObjectName("treatmentState");
    auto* inside = new QWidget;
    m_list = new QVBoxLayout(inside);
    m_list->setContentsMargins(0, 0, 6, 0);
    m_list->setSpacing(2);
    m_empty = addPageText(m_list, say("No treatments: accept what was found under Faults, or add one."));
    m_list->addStretch();
    auto* scroll = new QScrollArea;
    scroll->setAccessibleName(say("Chain of treatments"));
    scroll->setWidgetResizable(true);
    scroll->setFrameShape(QFrame::NoFrame);
    scroll->setWidget(inside);
    scroll->setStyleSheet("QScrollArea, QScrollArea > QWidget > QWidget { background: transparent }");
    scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    column->addWidget(scroll, 1);

    m_detail = new QWidget;
    auto* detail = new QVBoxLayout(m_detail);
    detail->setContentsMargins(0, 4, 0, 0);
    detail->setSpacing(6);
    m_name = addPageHeading(detail, "");
    m_why = addPageText(detail);
    m_why->setFixedHeight(50);
    m_why->setAlignment(Qt::AlignTop);
    auto* where = new QHBoxLayout;
    auto* label = new QLabel(say("Works on"));
    label->setStyleSheet(theme::sheet("color: @quiet"));
    m_where = new QComboBox;
    m_where->setObjectName("treatmentPlace");
    m_where->addItem(say("the recording, before the split"), kRecordingPlace);
    for (const auto& stem : kStemNames)
        m_where->addItem(say("the %1, after the split").arg(said(stem)), QString::fromStdString(stem));
    where->addWidget(label);
    where->addWidget(m_where, 1);
    detail->addLayout(where);
    auto* buttons = new QHBoxLayout;
    buttons->setSpacing(6);
    m_hear = makeSmallButton(
        "hearRemoved", say("Hear what goes"),
        say("Loops a stretch of what this treatment alone takes away: if the voice is in there, it is too much"));
    m_earlier = makeSmallButton("earlier", QString(QChar(0x2191)), say("Works earlier in the chain"));
    m_later = makeSmallButton("later", QString(QChar(0x2193)), say("Works later in the chain"));
    m_remove = makeSmallButton("removeTreatment", say("Remove"), say("Takes the treatment out of the chain"));
    m_earlier->setAccessibleName(say("Earlier"));
    m_later->setAccessibleName(say("Later"));
    for (auto* b : {m_hear, m_earlier, m_later, m_remove}) buttons->addWidget(b, b == m_hear);
    detail->addLayout(buttons);
    column->addWidget(m_detail);

    connect(m_order, &QPushButton::clicked, &m_desk, &TreatmentDesk::putInOrder);
    connect(m_hearAll, &QPushButton::clicked, this, [this] { m_desk.hearRemoved(-1); });
    connect(m_hear, &QPushButton::clicked, this, [this] { m_desk.hearRemoved(chosen()); });
    connect(m_earlier, &QPushButton::clicked, this, [this] { m_desk.move(size_t(chosen()), -1); });
    connect(m_later, &QPushButton::clicked, this, [this] { m_desk.move(size_t(chosen()), 1); });
    connect(m_remove, &QPushButton::clicked, this, [this] { m_desk.remove(size_t(chosen())); });
    connect(m_where, &QComboBox::activated, this,
            [this](int i) { m_desk.setWhere(size_t(chosen()), m_where->itemData(i).toString().toStdString()); });
    connect(&m_desk, &TreatmentDesk::changed, this, &TreatmentControls::refresh);
    refresh();
}

int TreatmentControls::chosen() const {
    const auto& chain = m_desk.chain();
    for (size_t i = 0; i < chain.size(); ++i)
        if (chain[i].id == m_chosen) return int(i);
    return -1;
}

void TreatmentControls::choose(const QString& id) {
    m_chosen = id.toStdString();
    refresh();
    if (auto* slider = findChild<QSlider*>("treat_" + id)) slider->setFocus();
}

void TreatmentControls::rebuild() {
    for (auto& r : m_rows) r.frame->deleteLater();
    m_rows.clear();
    for (size_t i = 0; i < m_desk.chain().size(); ++i) {
        const TreatmentEntry& t = findTreatment(m_desk.chain()[i].id);
        auto* frame = new QWidget;
        frame->setObjectName("treatmentRow");
        frame->setAttribute(Qt::WA_StyledBackground);
        auto* inside = new QVBoxLayout(frame);
        inside->setContentsMargins(4, 3, 2, 3);
        inside->setSpacing(0);
        auto* on = new QCheckBox(t.name);
        on->setObjectName(QString("on_%1").arg(t.id));
        on->setToolTip(say("Switched off, the treatment keeps its amount"));
        auto* value = new ValueRow({QString("treat_%1").arg(t.id), said(t.name), said(t.explanation), t.minimum,
                                    t.maximum, t.step, t.usual, [&t](double v) { return amountText(t, v); },
                                    [&t](const QString& text) { return amountFrom(t, text); }},
                                   on);
        auto* effect = new QLabel;
        effect->setObjectName(QString("effect_%1").arg(t.id));
        effect->setFont(theme::font(11));
        effect->setStyleSheet(theme::sheet("color: @quiet; padding-left: 20px"));
        inside->addWidget(value);
        inside->addWidget(effect);
        m_list->insertWidget(int(i), frame);
        m_rows.push_back({t.id, frame, on, value, effect});
        const auto pick = [this, id = std::string(t.id)] {
            if (m_chosen == id) return;
            m_chosen = id;
            refresh();
        };
        connect(on, &QCheckBox::clicked, this, [this, i, pick](bool now) {
            pick();
            m_desk.setOn(i, now);
        });
        connect(value, &ValueRow::set, this, [this, i, pick](double v, bool dragging) {
            pick();
            m_desk.setAmount(i, v, dragging);
        });
        connect(value, &ValueRow::released, this, [this] { m_document.endGesture(); });
        connect(value, &ValueRow::refused, this, [this](const QString& sentence) {
            m_work.warn(sentence);
            refresh();
        });
        connect(value, &ValueRow::explained, this, pick);
    }
}

void TreatmentControls::refresh() {
    const auto& chain = m_desk.chain();
    bool same = m_rows.size() == chain.size();
    for (size_t i = 0; same && i < chain.size(); ++i) same = m_rows[i].id == chain[i].id;
    if (!same) rebuild();
    const Reel* reel = m_document.reel();
    m_add->setEnabled(reel);
    m_empty->setVisible(chain.empty());
    m_order->setEnabled(!std::is_sorted(chain.begin(), chain.end(), [](const Treatment& a, const Treatment& b) {
        return sensiblePlace(a.id) < sensiblePlace(b.id);
    }));
    m_hearAll->setEnabled(reel && !reel->recordingTreatments().empty());
    const bool pending = reel && m_reels.treatmentPending(*reel);
    const bool waits = pending && !m_reels.current()->diagnosis;
    m_state->setText(chain.empty()              ? ""
                     : waits                    ? say("Begins once the reel has been looked through for faults.")
                     : pending && m_desk.busy() ? say("Treating a stretch around the playhead…")
                     : pending                  ? say("A stretch is treated for listening; the whole reel follows.")
                     : reel->recordingTreatments().empty() && !reel->treatsStems()
                         ? say("All are switched off.")
                         : say("At work on the whole reel. Hear 1 as treated, 7 as recorded, 8 what was removed."));
    if (chosen() < 0 && !chain.empty()) m_chosen = chain[0].id;
    for (size_t i = 0; i < chain.size(); ++i) {
        Row& r = m_rows[i];
        r.on->setChecked(chain[i].on);
        r.value->show(chain[i].amount);
        const auto effect = m_desk.effect(i);
        QString text = !chain[i].on ? say("off")
                       : !effect    ? "…"
                       : !effect->any()
                           ? say("does nothing here")
                           : QString(chain[i].id == "de-clip" ? say("adds %1 dBFS%2") : say("takes away %1 dBFS%2"))
                                 .arg(effect->removedDb, 0, 'f', 1)
                                 .arg(effect->whole ? "" : say(" here"))
                                 .replace('-', QChar(0x2212));
        if (chain[i].place != kRecordingPlace)
            text =
                say("on the %1: ").arg(said(chain[i].place)) + (effect || !chain[i].on ? text : say("after the split"));
        r.effect->setText(text);
        r.frame->setStyleSheet(
            chain[i].id == m_chosen ? theme::sheet("#treatmentRow { background: @row; border-radius: 4px }") : "");
    }
    fillChosen();
}

void TreatmentControls::fillChosen() {
    const int at = chosen();
    m_detail->setVisible(at >= 0);
    if (at < 0) return;
    const auto& chain = m_desk.chain();
    const Treatment& t = chain[size_t(at)];
    m_name->setText(said(findTreatment(t.id).name));
    m_why->setText(said(findTreatment(t.id).explanation));
    m_where->setCurrentIndex(std::max(0, m_where->findData(QString::fromStdString(t.place))));
    m_hear->setEnabled(t.on);
    m_earlier->setEnabled(at > 0);
    m_later->setEnabled(at + 1 < int(chain.size()));
}

}  // namespace rivlen
