#include "app/window/Pictures.h"
#include "app/widgets/Theme.h"

#include <QHBoxLayout>
#include <QMenu>
#include <QSignalBlocker>
#include <QVBoxLayout>

#include "app/rebuild/MendAreas.h"
#include "app/weigh/WorstPlaceMarks.h"
#include "app/words/Say.h"
#include "core/isolation/StemNames.h"

namespace rivlen {

Pictures::Pictures(Studio& studio, Desks& desks, QWidget* main) : m_studio(studio), m_desks(desks) {
    Document& document = studio.document;
    Reels& reels = studio.reels;
    Hearing& hearing = studio.hearing;
    m_ruler = new TimeRuler(document, reels, hearing, m_axis);
    m_ruler->setFixedHeight(26);
    m_strip = new PictureStrip(document, reels, hearing, m_axis);
    m_current = new CurrentView(document, reels, hearing, m_axis);
    m_current->setObjectName("current");
    m_ownership = new OwnershipView(document, reels, hearing, m_axis);
    new WorstPlaceMarks(document, desks.weigh, *m_ownership);
    new MendAreas(document, reels, desks.rebuild.desk, desks.rebuild.mends, desks.rebuild.mend, *m_ownership);
    m_difference = new DifferenceView(document, reels, hearing, desks.candidates, m_axis);
    m_large = new QStackedWidget;
    for (QWidget* picture :
         {static_cast<QWidget*>(m_current), static_cast<QWidget*>(m_ownership), static_cast<QWidget*>(m_difference)})
        m_large->addWidget(picture);
    m_current->setContextMenuPolicy(Qt::CustomContextMenu);
    connect(m_current, &QWidget::customContextMenuRequested, this, &Pictures::showMarkMenu);
    m_deliveries = new DeliveriesTable(document, reels, desks.deliverables, desks.dispatch);
    m_delivery =
        new DeliveryView(document, reels, hearing, m_axis, desks.deliverables, desks.dispatch, desks.delivered);
    m_checks = new QLabel;
    m_checks->setObjectName("checks");
    m_checks->setWordWrap(true);
    m_checks->setTextFormat(Qt::RichText);
    m_checks->setMargin(8);
    m_checks->setStyleSheet(theme::sheet("background: @raised; border-top: 1px solid @line;"));
    m_faults = new FaultsView(desks.treatment, document, reels, hearing, m_axis);
    m_loudness = new LoudnessView(document, reels, hearing, m_axis);
    m_marks = new MarksLane(desks.marks, document, reels, hearing, m_axis);
    m_marks->setObjectName("markslane");
    m_confidence = new ConfidenceView(desks.unsure, document, reels, hearing, m_axis);
    m_stems = new StemsView(document, reels, hearing, m_axis);
    m_confidence->setObjectName("confidence");
    m_lanes = new LanesView(desks.rebuild, document, reels, studio.splitting, hearing, m_axis);
    m_strength = new StrengthView(desks.strength, document, reels, hearing, m_axis);
    m_weighStrip = new WeighStrip(desks.weigh);
    const std::pair<TimeView*, QString> named[] = {{m_ruler, say("Time scale")},
                                                   {m_strip, say("Pictures of the video along time")},
                                                   {m_current, say("Current: the recording divided into its stems")},
                                                   {m_ownership, say("Ownership: which stem owns which sound")},
                                                   {m_difference, say("Difference of two candidates")},
                                                   {m_delivery, say("The delivered file along time")},
                                                   {m_faults, say("Faults along time")},
                                                   {m_loudness, say("Loudness and noise floor along time")},
                                                   {m_stems, say("The stems one above the other")},
                                                   {m_marks, say("Marks along time")},
                                                   {m_confidence, say("How sure the network was along time")}};
    for (const auto& [view, name] : named) view->setAccessibleName(name);

    auto* stack = new QVBoxLayout(this);
    stack->setContentsMargins(0, 0, 0, 0);
    stack->setSpacing(0);
    stack->addWidget(m_deliveries, 1);
    stack->addWidget(m_ruler);
    stack->addWidget(m_strip);
    stack->addWidget(m_large, 1);
    stack->addWidget(m_delivery);
    stack->addWidget(m_checks);
    stack->addWidget(m_faults);
    stack->addWidget(m_loudness);
    stack->addWidget(m_stems);
    stack->addWidget(m_marks);
    stack->addWidget(m_confidence);
    stack->addWidget(m_lanes, 3);
    stack->addWidget(m_strength);
    stack->addWidget(m_weighStrip);
    m_elsewhere = new QLabel;
    m_elsewhere->setAlignment(Qt::AlignCenter);
    m_elsewhere->setStyleSheet(theme::sheet("color: @quiet"));
    stack->addWidget(m_elsewhere, 1);
    stack->addLayout(makeScrollRow());
    m_pictureWindow = makeWindow("pictures", say("Current and Ownership"), m_large, stack, main);
    m_lanesWindow = makeWindow("lanes", say("Lanes"), m_lanes, stack, main);

    connect(&reels, &Reels::read, this, &Pictures::followReel);
    connect(&m_axis, &TimeAxis::changed, this, &Pictures::showStems);
    connect(&desks.deliverables, &DeliverablesDesk::changed, this, &Pictures::showChecks);
    connect(&desks.dispatch, &DispatchDesk::changed, this, &Pictures::showChecks);
    connect(&desks.rebuild.mend, &MendTool::changed, this, [this] {
        if (m_desks.rebuild.mend.active && at(stage::rebuild) && shown() != Picture::Ownership)
            show(Picture::Ownership);
        refresh();
    });
    show(Picture::Current);
}

OwnWindow* Pictures::makeWindow(const QString& id, const QString& title, QWidget* view, QBoxLayout* home,
                                QWidget* main) {
    auto* ruler = m_rulers.emplace_back(new TimeRuler(m_studio.document, m_studio.reels, m_studio.hearing, m_axis));
    ruler->setFixedHeight(26);
    auto* window = new OwnWindow(id, title, view, ruler, main);
    window->setHome(home);
    window->resize(1100, 480);
    connect(window, &OwnWindow::changed, this, &Pictures::refresh);
    return window;
}

QLayout* Pictures::makeScrollRow() {
    m_scroll = new QScrollBar(Qt::Horizontal);
    m_view = new QPushButton;
    m_view->setObjectName("view");
    m_view->setToolTip(say("Switches between the Current and the Ownership picture (V)"));
    m_view->setStyleSheet("padding: 3px 10px");
    m_window = new QComboBox;
    m_window->setObjectName("spectrumwindow");
    m_window->setAccessibleName(say("Length of the spectra"));
    m_window->setToolTip(
        say("How long a stretch each spectrum looks at: short ones part moments, long ones tones (Shift+V)"));
    m_window->addItem("11 ms", kShortWindow);
    m_window->addItem("43 ms", kUsualWindow);
    m_window->addItem("171 ms", kLongWindow);
    m_window->setCurrentIndex(m_window->findData(m_ownership->window()));
    connect(m_window, &QComboBox::currentIndexChanged, this,
            [this](int i) { m_ownership->setWindow(m_window->itemData(i).toDouble()); });
    auto* less = new QPushButton("–");
    auto* more = new QPushButton("+");
    auto* all = new QPushButton(say("All"));
    less->setToolTip(say("Show more time (-)"));
    more->setToolTip(say("Show less time (+)"));
    all->setToolTip(say("Show the whole reel (0)"));
    for (auto* b : {less, more, all}) b->setStyleSheet("padding: 3px 9px");
    auto* row = new QHBoxLayout;
    row->setContentsMargins(8, 4, 8, 4);
    row->setSpacing(6);
    row->addWidget(m_view);
    row->addWidget(m_window);
    row->addWidget(m_scroll, 1);
    for (auto* b : {less, more, all}) row->addWidget(b);
    connect(m_view, &QPushButton::clicked, this, [this] { toggle(Picture::Ownership, Picture::Current); });
    const auto zoom = [this](double factor) { m_axis.zoom(factor, (m_axis.from() + m_axis.to()) / 2); };
    connect(less, &QPushButton::clicked, this, [zoom] { zoom(2); });
    connect(more, &QPushButton::clicked, this, [zoom] { zoom(0.5); });
    connect(all, &QPushButton::clicked, this, [this] { m_axis.show(0, m_axis.duration()); });
    connect(&m_axis, &TimeAxis::changed, this, [this] {
        const QSignalBlocker quiet(m_scroll);
        m_scroll->setRange(0, int((m_axis.duration() - m_axis.span()) * 1000));
        m_scroll->setPageStep(std::max(1, int(m_axis.span() * 1000)));
        m_scroll->setValue(int(m_axis.from() * 1000));
    });
    connect(m_scroll, &QScrollBar::valueChanged, this,
            [this](int v) { m_axis.show(v / 1000.0, v / 1000.0 + m_axis.span()); });
    return row;
}

void Pictures::showMarkMenu(const QPoint& at_) {
    if (!at(stage::split) || !m_studio.document.reel()) return;
    QMenu menu(this);
    menu.setObjectName("markmenu");
    for (size_t s = 0; s < kStemCount; ++s) {
        auto* action = menu.addAction(say("Only %1 in the loop").arg(within(theme::stemName(int(s)))));
        action->setEnabled(m_studio.hearing.loop().has_value());
        connect(action, &QAction::triggered, this, [this, s] { m_desks.marks.add(kStemNames[s]); });
    }
    menu.exec(m_current->mapToGlobal(at_));
}

void Pictures::show(Picture picture) {
    m_large->setCurrentIndex(int(picture));
    showStems();
    m_window->setVisible(picture == Picture::Ownership && !m_view->isHidden());
    m_view->setText(picture == Picture::Ownership ? say("Show the Current") : say("Show the Ownership picture"));
}

void Pictures::stepWindow() {
    if (shown() == Picture::Ownership) m_window->setCurrentIndex((m_window->currentIndex() + 1) % m_window->count());
}

void Pictures::showStems() {
    const bool above = shown() == Picture::Current && m_current->waves().isVisibleTo(m_current);  // as waves
    m_stems->setVisible(at(stage::split) && !above);
}

void Pictures::showStrength(bool on) {
    m_strengthShown = on;
    refresh();
}

void Pictures::refresh() {
    // Between what goes and what comes both would want their room, and the window would grow.
    layout()->setEnabled(false);
    const bool rebuilding = at(stage::rebuild), mending = m_desks.rebuild.mend.active;
    for (QWidget* lane : std::initializer_list<QWidget*>{m_marks, m_confidence}) lane->setVisible(at(stage::split));
    showStems();
    m_faults->setVisible(at(stage::intake) && m_faults->any());
    m_loudness->setVisible(at(stage::intake));
    const bool leaving = at(stage::dispatch);
    const bool pictureOut = m_pictureWindow->holds(), lanesOut = m_lanesWindow->holds();
    m_stems->setTall(pictureOut);
    m_large->setVisible(pictureOut || !leaving);
    m_view->setVisible(m_large->isVisibleTo(m_large->parentWidget()));
    m_window->setVisible(!m_view->isHidden() && shown() == Picture::Ownership);
    m_deliveries->setVisible(leaving);
    m_delivery->setVisible(leaving);
    m_checks->setVisible(leaving && !m_checks->text().isEmpty());
    m_weighStrip->setVisible(at(stage::weigh));
    m_strength->setVisible(at(stage::weigh) || (rebuilding && m_strengthShown));
    m_lanes->setVisible(lanesOut || rebuilding);
    m_large->setMinimumHeight(rebuilding && mending && !pictureOut ? 280 : 0);
    m_large->setMaximumHeight(rebuilding && !mending && !pictureOut ? 110 : QWIDGETSIZE_MAX);
    m_elsewhere->setVisible(rebuilding ? lanesOut : pictureOut && !leaving);
    m_elsewhere->setText(rebuilding ? say("The lanes stand in a window of their own. Ctrl+Shift+L takes them back.")
                                    : say("The picture stands in a window of its own. Ctrl+Shift+V takes it back."));
    if (!at(stage::weigh) && shown() == Picture::Difference) show(Picture::Ownership);
    layout()->setEnabled(true);
    layout()->activate();
}

void Pictures::showChecks() {
    const Reel* reel = m_studio.document.reel();
    const auto& all = m_desks.deliverables.deliverables();
    const int chosen = m_desks.deliverables.chosen();
    QString text;
    if (at(stage::dispatch) && reel && chosen >= 0 && chosen < int(all.size())) {
        const auto& made = m_desks.dispatch.deliveries();
        const auto found = made.find({reel->id, all[size_t(chosen)].name});
        if (found != made.end() && !found->second.error.empty())
            text =
                theme::sheet("<span style='color:@attention'>") + said(found->second.error).toHtmlEscaped() + "</span>";
        else if (found != made.end() && found->second.report)
            for (const DeliveryCheck& c : found->second.report->checks)
                text += QString(theme::sheet("<span style='color:%1'>%2</span>&nbsp;%3<span "
                                             "style='color:@quiet'>&nbsp;%4</span> &nbsp; "))
                            .arg(c.passed ? theme::sheet("@good") : theme::sheet("@attention"),
                                 c.passed ? QChar(0x2713) : QChar(0x2717), said(c.name).toHtmlEscaped(),
                                 said(c.detail).toHtmlEscaped());
    }
    if (m_checks->text() == text) return;
    m_checks->setText(text);
    m_checks->setVisible(at(stage::dispatch) && !text.isEmpty());
}

void Pictures::followReel() {
    const Reel* reel = m_studio.document.reel();
    const ReelFacts* facts = m_studio.reels.current();
    const double duration = reel && facts->info ? facts->info->duration() : 0;
    if (m_reel == (reel ? reel->id : "") && m_duration == duration) return;
    m_reel = reel ? reel->id : "";
    m_duration = duration;
    m_axis.setDuration(duration);
}

void Pictures::tick() {
    if (m_lanes->isVisible()) m_lanes->tick();
    const Player& player = m_studio.hearing.player();
    if (!player.isOpen()) return;
    // The view turns the page when the playhead leaves it.
    const double now = double(player.position()) / player.sampleRate();
    if (player.playing() && (now > m_axis.to() || now < m_axis.from())) m_axis.show(now, now + m_axis.span());
    const int64_t frame = player.position();
    if (!player.playing() && frame == m_drawnAt) return;
    m_drawnAt = frame;
    for (QWidget* view :
         std::initializer_list<QWidget*>{m_ruler, m_strip, m_large->currentWidget(), &m_current->waves(), m_delivery,
                                         m_faults, m_loudness, m_stems, m_marks, m_confidence, m_strength})
        view->update();
    for (TimeRuler* ruler : m_rulers) ruler->update();
}

}  // namespace rivlen
