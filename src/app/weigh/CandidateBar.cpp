#include "app/weigh/CandidateBar.h"

#include <QHBoxLayout>
#include <QInputDialog>
#include <QMenu>
#include <QVBoxLayout>
#include <random>

#include "app/weigh/GiveStrengthDialog.h"
#include "app/weigh/PresetButton.h"
#include "app/widgets/Theme.h"
#include "app/words/Say.h"

namespace rivlen {

CandidateBar::CandidateBar(CandidateDesk& desk, Document& document, Reels& reels, Splitting& splitting, Work& work,
                           QWidget* parent)
    : QWidget(parent), m_desk(desk), m_document(document), m_reels(reels), m_splitting(splitting), m_work(work) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(6);
    auto* head = new QHBoxLayout;
    auto* title = new QLabel(say("Candidates"));
    title->setFont(theme::font(14, QFont::DemiBold));
    m_prefer = new QPushButton(say("Prefer this"));
    m_prefer->setObjectName("prefer");
    m_prefer->setToolTip(
        say("Notes that what is heard is the best of this round; the labels are shuffled for the next (P)"));
    m_blind = new QPushButton;
    m_blind->setObjectName("blind");
    for (auto* b : {m_prefer, m_blind}) b->setStyleSheet("padding: 3px 10px");
    head->addWidget(title);
    head->addStretch();
    head->addWidget(m_prefer);
    head->addWidget(m_blind);
    column->addLayout(head);
    auto* row = new QHBoxLayout;
    row->setSpacing(6);
    for (int i = 0; i < kCandidates; ++i) {
        auto* b = m_places[size_t(i)] = new QPushButton;
        b->setObjectName(QString("candidate%1").arg(i));
        b->setCheckable(true);
        b->setContextMenuPolicy(Qt::CustomContextMenu);
        connect(b, &QPushButton::clicked, this, [this, i] { press(i); });
        connect(b, &QPushButton::customContextMenuRequested, this,
                [this, i, b](const QPoint& at) { menu(i, b->mapToGlobal(at)); });
        row->addWidget(b, 1);
    }
    column->addLayout(row);
    m_text = new QLabel;
    m_text->setWordWrap(true);
    m_text->setStyleSheet(theme::sheet("color: @quiet"));
    column->addWidget(m_text);
    connect(m_blind, &QPushButton::clicked, this, [this] {
        if (m_desk.blind()) m_desk.endBlind();
        else m_desk.startBlind(std::random_device{}());
    });
    connect(m_prefer, &QPushButton::clicked, &desk, &CandidateDesk::prefer);
    connect(&desk, &CandidateDesk::changed, this, &CandidateBar::refresh);
    connect(&reels, &Reels::stemsChanged, this, &CandidateBar::refresh);
    refresh();
}

void CandidateBar::press(int place) {
    if (m_desk.blind() || m_desk.at(place)) m_desk.use(place);
    else m_desk.keep(place);
    refresh();
}

void CandidateBar::menu(int place, const QPoint& at) {
    if (m_desk.blind()) return;
    QMenu menu(this);
    menu.addAction(say("Keep the present setting here"), this, [this, place] { m_desk.keep(place); });
    auto* name = menu.addAction(say("Name…"), this, [this, place] {
        bool ok = false;
        const QString text =
            QInputDialog::getText(this, say("Name candidate ") + CandidateDesk::letter(place), say("Name"),
                                  QLineEdit::Normal, QString::fromStdString(m_desk.at(place)->name), &ok);
        if (ok) m_desk.rename(place, text);
    });
    const Reel* reel = m_document.reel();
    auto* copy = menu.addMenu(say("Copy to"));
    copy->setEnabled(m_desk.at(place).has_value());
    const auto target = [&](const QString& text, int region) {
        copy->addAction(text, this, [this, place, region] { m_desk.copyTo(place, region); });
    };
    target(say("The whole reel"), -1);
    for (size_t r = 0; r < reel->timeline().regions.size(); ++r) {
        const QString own = QString::fromStdString(reel->timeline().regions[r].name);
        target(own.isEmpty() ? say("Region %1").arg(r + 1) : own, int(r));
    }
    auto* reels = copy->addAction(say("Reels…"), this, [this, place, reel] {
        IsolationSettings settings = m_desk.at(place)->settings;
        settings.stem = reel->stem;
        (new GiveStrengthDialog(m_document, m_reels, m_splitting, m_work, settings, window()))->open();
    });
    reels->setEnabled(m_document.session().reels.size() > 1);
    auto* preset = menu.addAction(say("Keep as preset…"), this,
                                  [this, place] { keepAsPreset(m_work, m_desk.at(place)->settings, this); });
    auto* drop = menu.addAction(say("Drop"), this, [this, place] { m_desk.drop(place); });
    for (auto* a : {name, preset, drop}) a->setEnabled(m_desk.at(place).has_value());
    menu.exec(at);
}

void CandidateBar::refresh() {
    const ReelFacts* state = m_reels.current();
    const bool stems = m_document.reel() && state && state->stems;
    const BlindTest* blind = m_desk.blind();
    for (int i = 0; i < kCandidates; ++i) {
        QPushButton* b = m_places[size_t(i)];
        const QString letter = CandidateDesk::letter(i);
        const auto& kept = m_desk.at(i);
        b->setVisible(!blind || i < blind->labels());
        b->setEnabled(stems);
        b->setChecked(blind ? m_desk.heardLabel() == i : m_desk.current() == i);
        b->setText(blind  ? QString::number(i + 1) + " ?"
                   : kept ? (kept->name.empty() ? letter : letter + " " + QString::fromStdString(kept->name))
                          : letter + " –");
        if (blind) {
            b->setToolTip(say("Hear number %1 of this round (%2)").arg(i + 1).arg(letter));
            continue;
        }
        QStringList values;
        if (kept)
            for (const auto& p : isolationParameters())
                if (kept->settings.*p.value != p.neutral || p.value == &IsolationSettings::depth)
                    values << QString("%1 %2").arg(said(p.name), said(describeValue(p, kept->settings.*p.value)));
        if (kept && !isNeutral(kept->settings.bandBias)) values << say("Band bias");
        b->setToolTip(
            kept ? say("%1\nPress to use it (%2), Shift+%2 keeps the present setting here, right click for more")
                       .arg(values.join(", "), letter)
                 : say("Empty: press to keep the present setting here (Shift+%1)").arg(letter));
    }
    m_prefer->setVisible(blind);
    m_blind->setText(blind ? say("End and reveal") : say("Blind…"));
    m_blind->setToolTip(blind ? say("Ends the comparison and says how it went")
                              : say("Hides which candidate is which and counts what you prefer; needs two"));
    m_blind->setEnabled(stems && (blind || m_desk.kept() >= 2));
    m_text->setText(blind ? say("Round %1. Listen to each, then choose. Settings and figures are hidden until the end.")
                                .arg(blind->rounds() + 1)
                          : say("Switch while it plays, at equal loudness."));
}

}  // namespace rivlen
