#include "app/MainWindow.h"
#include "app/views/ConfidenceView.h"

#include <QApplication>
#include <QCloseEvent>
#include <QFileDialog>
#include <QHBoxLayout>
#include <QLineEdit>
#include <QMenuBar>
#include <QMessageBox>
#include <QMimeData>
#include <QSignalBlocker>
#include <cmath>

#include "app/Shortcuts.h"
#include "app/Theme.h"
#include "app/views/ToolControls.h"
#include "core/base/Resources.h"

namespace rivlen {

MainWindow::MainWindow(Controller& controller, QWidget* parent)
    : QMainWindow(parent), m_controller(controller), m_desks(controller) {
    setAcceptDrops(true);
    resize(1280, 800);
    auto* whole = new QWidget;
    auto* column = new QVBoxLayout(whole);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);

    auto* top = new QHBoxLayout;
    top->setContentsMargins(0, 4, 12, 4);
    top->setSpacing(6);
    m_course = new CourseBar(controller);
    m_course->askAboutDispatch([this] {
        switch (m_desks.dispatch.standing()) {
            case DispatchDesk::Standing::InWork: return CourseBar::State::InWork;
            case DispatchDesk::Standing::Delivered: return CourseBar::State::Done;
            case DispatchDesk::Standing::Refused: return CourseBar::State::Attention;
            default: return CourseBar::State::Empty;
        }
    });
    connect(&m_desks.dispatch, &DispatchDesk::changed, m_course, qOverload<>(&QWidget::update));
    m_course->setMinimumWidth(560);
    m_course->setFixedHeight(52);
    m_name = new QLabel;
    m_name->setFont(theme::font(13, QFont::Medium));
    m_undo = new QPushButton("Undo");
    m_undo->setObjectName("undo");
    m_redo = new QPushButton("Redo");
    m_redo->setObjectName("redo");
    top->addWidget(m_course);
    top->addStretch();
    top->addWidget(m_name);
    top->addSpacing(12);
    top->addWidget(m_undo);
    top->addWidget(m_redo);
    column->addLayout(top);

    auto* pictures = new QWidget;
    auto* stack = new QVBoxLayout(pictures);
    stack->setContentsMargins(0, 0, 0, 0);
    stack->setSpacing(0);
    m_ruler = new TimeRuler(controller, m_axis);
    m_ruler->setFixedHeight(26);
    m_strip = new PictureStrip(controller, m_axis);
    m_current = new CurrentView(controller, m_axis);
    m_current->setObjectName("current");
    m_ownership = new OwnershipView(controller, m_axis);
    m_pictures = new QStackedWidget;
    m_pictures->addWidget(m_current);
    m_pictures->addWidget(m_ownership);
    m_confidence = new ConfidenceView(controller, m_axis);
    m_confidence->setObjectName("confidence");
    m_ownership->setDesk(&m_desks.weigh);
    m_difference = new DifferenceView(controller, m_desks.candidates, m_axis);
    m_pictures->addWidget(m_difference);
    m_lane = new StrengthLane(m_desks.strength, controller, m_axis);
    m_weighStrip = new WeighStrip(m_desks.weigh, controller);
    m_lanes = new LanesView(m_desks.rebuild, controller, m_axis);
    m_ownership->setMending(&m_desks.rebuild, &m_desks.mend);
    m_scroll = new QScrollBar(Qt::Horizontal);
    auto* below = new QHBoxLayout;
    below->setContentsMargins(8, 4, 8, 4);
    below->setSpacing(6);
    m_view = new QPushButton;
    m_view->setObjectName("view");
    m_view->setToolTip("Switches between the Current and the Ownership picture (V)");
    m_view->setStyleSheet("padding: 3px 10px");
    auto* less = new QPushButton("–");
    auto* more = new QPushButton("+");
    auto* all = new QPushButton("All");
    less->setToolTip("Show more time (-)");
    more->setToolTip("Show less time (+)");
    all->setToolTip("Show the whole reel (0)");
    for (auto* b : {less, more, all}) b->setStyleSheet("padding: 3px 9px");
    below->addWidget(m_view);
    below->addWidget(m_scroll, 1);
    below->addWidget(less);
    below->addWidget(more);
    below->addWidget(all);
    stack->addWidget(m_ruler);
    stack->addWidget(m_strip);
    stack->addWidget(m_pictures, 1);
    stack->addWidget(m_confidence);
    stack->addWidget(m_lanes, 3);
    stack->addWidget(m_lane);
    stack->addWidget(m_weighStrip);
    stack->addLayout(below);

    m_empty = new QLabel(
        "Drop a mixed recording here, audio or video,\nor press Ctrl+I to choose one.\n\nRivlen takes it apart into "
        "dialogue, music and ambience, on this machine only.");
    m_empty->setAlignment(Qt::AlignCenter);
    m_empty->setFont(theme::font(16));
    m_empty->setStyleSheet("color: #a79d8c");
    m_centre = new QStackedWidget;
    m_centre->addWidget(m_empty);
    m_centre->addWidget(pictures);
    m_table = new ReelTable(controller, m_desks.reels);
    m_centre->addWidget(m_table);
    connect(m_table, &ReelTable::closed, this, [this] { showTable(false); });
    auto* dockable =
        new QMainWindow;  // so that the picture window docks beside the pictures and the transport keeps its width
    dockable->setWindowFlags(Qt::Widget);
    dockable->setCentralWidget(m_centre);
    m_dock = new PictureDock(controller, dockable);
    dockable->addDockWidget(Qt::LeftDockWidgetArea, m_dock);

    const auto toggleDifference = [this] {
        showPicture(picture() == Picture::Difference ? Picture::Ownership : Picture::Difference);
    };
    m_panels = new QStackedWidget;
    m_panels->setFixedWidth(340);
    m_panels->setObjectName("panels");
    m_panels->setStyleSheet("#panels { background: #26231f; border-left: 1px solid #3a352e; }");
    for (const auto& stage : stageTable()) {
        m_stagePanels.push_back(stage.make(controller, m_desks));
        m_panels->addWidget(m_stagePanels.back());
        connect(m_stagePanels.back(), &StagePanel::differenceWanted, this, toggleDifference);
        connect(m_stagePanels.back(), &StagePanel::snappingChanged, m_lanes, &LanesView::setSnapping);
        connect(m_stagePanels.back(), &StagePanel::strengthWanted, this, [this](bool on) {
            m_strengthShown = on;
            refresh();
        });
        connect(m_stagePanels.back(), &StagePanel::tableWanted, this, [this] { showTable(!m_tableShown); });
    }
    auto* centre = new QHBoxLayout;
    centre->setSpacing(0);
    centre->addWidget(dockable, 1);
    centre->addWidget(m_panels);
    column->addLayout(centre, 1);
    m_transport = new TransportBar(controller);
    m_transport->setAttribute(Qt::WA_StyledBackground);
    m_transport->setObjectName("transport");
    m_transport->setStyleSheet("#transport { background: #26231f; border-top: 1px solid #3a352e; }");
    m_workLine = new WorkLine(controller);
    column->addWidget(m_transport);
    column->addWidget(m_workLine);
    setCentralWidget(whole);

    connect(m_undo, &QPushButton::clicked, &controller, &Controller::undo);
    connect(m_redo, &QPushButton::clicked, &controller, &Controller::redo);
    connect(m_view, &QPushButton::clicked, this,
            [this] { showPicture(picture() == Picture::Ownership ? Picture::Current : Picture::Ownership); });
    const auto middle = [this] { return (m_axis.from() + m_axis.to()) / 2; };
    connect(less, &QPushButton::clicked, this, [this, middle] { m_axis.zoom(2, middle()); });
    connect(more, &QPushButton::clicked, this, [this, middle] { m_axis.zoom(0.5, middle()); });
    connect(all, &QPushButton::clicked, this, [this] { m_axis.show(0, m_axis.duration()); });
    connect(&m_axis, &TimeAxis::changed, this, [this] {
        const QSignalBlocker quiet(m_scroll);
        m_scroll->setRange(0, int((m_axis.duration() - m_axis.span()) * 1000));
        m_scroll->setPageStep(std::max(1, int(m_axis.span() * 1000)));
        m_scroll->setValue(int(m_axis.from() * 1000));
    });
    connect(m_scroll, &QScrollBar::valueChanged, this,
            [this](int v) { m_axis.show(v / 1000.0, v / 1000.0 + m_axis.span()); });
    for (auto signal :
         {&Controller::sessionChanged, &Controller::reelOpened, &Controller::stemsChanged, &Controller::heardChanged})
        connect(&controller, signal, this, &MainWindow::refresh);
    connect(&controller, &Controller::reelOpened, this, &MainWindow::reelOpened);
    connect(&m_timer, &QTimer::timeout, this, &MainWindow::tick);
    m_timer.start(33);
    connect(&m_desks.mend, &MendTool::changed, this, [this] {
        if (m_desks.mend.active && rebuilding() && picture() != Picture::Ownership) showPicture(Picture::Ownership);
        refresh();
    });
    buildMenus();
    buildShortcuts();
    buildRebuildKeys();
    qApp->installEventFilter(this);
    showPicture(Picture::Current);
    refresh();
}

void MainWindow::buildMenus() {
    auto* file = menuBar()->addMenu("Session");
    file->addAction("New", QKeySequence::New, this, [this] {
        if (mayDiscard()) m_controller.newSession();
    });
    file->addAction("Open…", QKeySequence::Open, this, &MainWindow::openFileDialog);
    m_recent = file->addMenu("Open recent");
    connect(m_recent, &QMenu::aboutToShow, this, [this] {
        m_recent->clear();
        for (const QString& path : m_controller.recentSessions())
            m_recent->addAction(path, this, [this, path] {
                if (mayDiscard()) m_controller.openSession(path);
            });
        if (m_recent->isEmpty()) m_recent->addAction("None yet")->setEnabled(false);
    });
    file->addAction("Open the demo", this, [this] {
        if (mayDiscard())
            m_controller.openSession(QString::fromStdString((resourceFolder("demo") / "night-ferry.rivlen").string()));
    });
    file->addSeparator();
    file->addAction("Save", QKeySequence::Save, this, [this] { save(false); });
    file->addAction("Save as…", QKeySequence("Ctrl+Shift+S"), this, [this] { save(true); });
    file->addSeparator();
    file->addAction("Quit", QKeySequence("Ctrl+Q"), this, &QWidget::close);
    auto* reel = menuBar()->addMenu("Reel");
    reel->addAction("Add recordings…", QKeySequence("Ctrl+I"), this,
                    [this] { m_controller.addFiles(QFileDialog::getOpenFileNames(this, "Add recordings")); });
    reel->addAction("Add a folder…", QKeySequence("Ctrl+Shift+I"), this, [this] {
        if (const QString folder = QFileDialog::getExistingDirectory(this, "Add all recordings of a folder");
            !folder.isEmpty())
            m_controller.addFiles({folder});
    });
    reel->addAction("Split", QKeySequence("Ctrl+Return"), &m_controller, &Controller::split);
    reel->addAction("Export stems…", QKeySequence("Ctrl+E"), this, [this] {
        const QString folder = QFileDialog::getExistingDirectory(this, "Export stems to");
        if (!folder.isEmpty()) m_controller.exportStems(folder, {});
    });
    auto* view = menuBar()->addMenu("View");
    view->addAction("Meters", QKeySequence("G"), this, &MainWindow::showMeters);
    auto* help = menuBar()->addMenu("Help");
    help->addAction("Keyboard shortcuts", QKeySequence("F1"), this, &MainWindow::showShortcuts);
}

void MainWindow::buildShortcuts() {
    const auto key = [this](const char* keys, auto action) { addShortcut(this, keys, action); };
    key("Space", [this] { m_controller.togglePlay(); });
    for (int h = 0; h < kHeardCount; ++h)
        key(std::to_string(h + 1).c_str(), [this, h] {
            const ReelState* s = m_controller.currentState();
            const bool treated = m_controller.reel() && !m_controller.reel()->treatments.empty();
            const bool mix = h == int(Heard::Mix), version = h == int(Heard::Recorded) || h == int(Heard::Removed);
            if (h == 0 || (mix ? m_desks.rebuild.ready() : version ? treated : s && s->stems))
                m_controller.hear(Heard(h));
        });
    for (int s = 0; s < CourseBar::kStations; ++s)
        key(("Alt+" + std::to_string(s + 1)).c_str(), [this, s] { m_controller.setStage(CourseBar::stageId(s)); });
    key("M", [this] { m_controller.setLevelMatch(!m_controller.levelMatch()); });
    RebuildDesk& rebuild = m_desks.rebuild;
    // Keys that mean one thing at Weigh and another at Rebuild.
    key("K", [this, &rebuild] {
        if (weighing()) m_desks.weigh.useSuggestion();
        else if (rebuilding()) rebuild.addMarker();
    });
    key("N", [this, &rebuild] {
        if (weighing()) m_desks.weigh.step(1);
        else if (rebuilding()) rebuild.stepSelection(1);
    });
    key("Shift+N", [this, &rebuild] {
        if (weighing()) m_desks.weigh.step(-1);
        else if (rebuilding()) rebuild.stepSelection(-1);
    });
    key("V", [this] { showPicture(picture() == Picture::Ownership ? Picture::Current : Picture::Ownership); });
    key("X", [this, &rebuild] {
        if (weighing()) showPicture(picture() == Picture::Difference ? Picture::Ownership : Picture::Difference);
        else if (rebuilding()) rebuild.crossFadeSelected();
    });
    key("R", [this] {
        if (weighing()) m_desks.strength.regionFromLoop();
        else if (rebuilding()) findChild<ToolControls*>("tools")->replaceMusic();
    });
    key("Y", [this] { showTable(!m_tableShown); });
    key("F", [this] {
        if (m_dock->hasPicture()) m_dock->toggleViewAction()->trigger();
    });
    key("Ctrl+Left", [this] { m_dock->step(-1); });
    key("Ctrl+Right", [this] { m_dock->step(1); });
    key("T", [this, &rebuild] {
        if (weighing()) m_desks.trials.start();
        else if (rebuilding()) rebuild.fillWithTone();
    });
    for (size_t s = 0; s < kStemCount; ++s)
        key(("Ctrl+" + std::to_string(s + 1)).c_str(), [this, s] {
            if (weighing()) m_desks.strength.chooseStem(kStemNames[s]);
        });
    key("[", [this] { setLoopEdge(true); });
    key("]", [this] { setLoopEdge(false); });
    key("L", [this] { m_controller.removeLoop(); });
    const auto middle = [this] { return (m_axis.from() + m_axis.to()) / 2; };
    key("+", [this, middle] { m_axis.zoom(0.5, middle()); });
    key("-", [this, middle] { m_axis.zoom(2, middle()); });
    key("0", [this] { m_axis.show(0, m_axis.duration()); });
    const auto move = [this](double seconds) {
        Player& p = m_controller.player();
        if (p.isOpen()) p.locate(p.position() + int64_t(seconds * p.sampleRate()));
    };
    key(",", [move] { move(-1); });
    key(".", [move] { move(1); });
    key("Home", [this] { m_controller.player().locate(0); });
    key("End", [this] { m_controller.player().locate(m_controller.player().frames()); });
    key("Ctrl+Z", [this] { m_controller.undo(); });
    key("Ctrl+Shift+Z", [this] { m_controller.redo(); });
}

void MainWindow::setLoopEdge(bool start) {
    const Player& p = m_controller.player();
    if (!p.isOpen()) return;
    const double at = double(p.position()) / p.sampleRate();
    m_controller.editReel("Set loop", [&](Reel& r) {
        std::pair<double, double> span = r.loop.value_or(std::pair(0.0, m_axis.duration()));
        (start ? span.first : span.second) = at;
        if (span.second - span.first < 0.02) span = start ? std::pair(at, m_axis.duration()) : std::pair(0.0, at);
        if (span.second - span.first >= 0.02) r.loop = span;
    });
}

void MainWindow::showPicture(Picture picture) {
    m_pictures->setCurrentIndex(int(picture));
    m_view->setText(picture == Picture::Ownership ? "Show the Current" : "Show the Ownership picture");
}

bool MainWindow::weighing() const { return m_controller.session().stage == "weigh" && !m_controller.blind(); }

void MainWindow::showTable(bool on) {
    m_tableShown = on;
    if (on && m_controller.session().stage != "intake") m_controller.setStage("intake");
    refresh();
}

void MainWindow::refresh() {
    const Session& session = m_controller.session();
    const QString file = m_controller.sessionFile();
    m_name->setText(QString::fromStdString(session.name) + (m_controller.history().modified() ? "  ·  not saved" : ""));
    setWindowTitle(QString::fromStdString(session.name) + " – Rivlen");
    m_undo->setEnabled(m_controller.history().canUndo());
    m_redo->setEnabled(m_controller.history().canRedo());
    m_undo->setToolTip("Undo: " + QString::fromStdString(m_controller.history().undoName()) + " (Ctrl+Z)");
    m_redo->setToolTip("Redo: " + QString::fromStdString(m_controller.history().redoName()) + " (Ctrl+Shift+Z)");
    for (size_t i = 0; i < stageTable().size(); ++i)
        if (session.stage == stageTable()[i].id) m_panels->setCurrentIndex(int(i));
    m_confidence->setVisible(session.stage == "split");
    m_weighStrip->setVisible(session.stage == "weigh");
    m_lane->setVisible(session.stage == "weigh" || (rebuilding() && m_strengthShown));
    m_lanes->setVisible(rebuilding());
    m_pictures->setMinimumHeight(rebuilding() && m_desks.mend.active ? 280 : 0);
    m_pictures->setMaximumHeight(rebuilding() && !m_desks.mend.active ? 110 : QWIDGETSIZE_MAX);
    if (session.stage != "weigh" && picture() == Picture::Difference) showPicture(Picture::Ownership);
    for (StagePanel* panel : m_stagePanels) panel->refresh();
    m_strip->setVisible(m_dock->hasPicture());
    m_centre->setCurrentIndex(!m_controller.reel() ? 0 : m_tableShown && session.stage == "intake" ? 2 : 1);
}

void MainWindow::reelOpened() {
    const Reel* reel = m_controller.reel();
    const ReelState* state = m_controller.currentState();
    const double duration = reel && state->info ? state->info->duration() : 0;
    if (m_shown == (reel ? reel->id : "") && m_shownDuration == duration) return;
    m_shown = reel ? reel->id : "";
    m_shownDuration = duration;
    m_axis.setDuration(duration);
}

void MainWindow::tick() {
    m_transport->tick();
    m_workLine->tick();
    m_desks.weigh.tick();
    m_desks.meters.tick();
    if (rebuilding()) m_lanes->tick();
    const Player& player = m_controller.player();
    if (player.isOpen()) {
        // The view turns the page when the playhead leaves it.
        const double at = double(player.position()) / player.sampleRate();
        if (player.playing() && (at > m_axis.to() || at < m_axis.from())) m_axis.show(at, at + m_axis.span());
        m_ruler->update();
        m_strip->update();
        m_pictures->currentWidget()->update();
        m_confidence->update();
        m_lane->update();
    }
}

bool MainWindow::eventFilter(QObject* object, QEvent* event) {
    if ((event->type() == QEvent::KeyPress || event->type() == QEvent::KeyRelease) && isActiveWindow()) {
        auto* key = static_cast<QKeyEvent*>(event);
        QWidget* focus = QApplication::focusWidget();
        if (key->key() == Qt::Key_O && key->modifiers() == Qt::NoModifier && !qobject_cast<QLineEdit*>(focus)) {
            if (key->isAutoRepeat()) return true;
            Player& player = m_controller.player();
            if (event->type() == QEvent::KeyPress && !m_held && player.isOpen()) {
                m_held = player.heard();
                m_controller.hear(Heard::Source);
            } else if (event->type() == QEvent::KeyRelease && m_held) {
                m_controller.hear(*m_held);
                m_held.reset();
            }
            return true;
        }
        if (event->type() == QEvent::KeyPress && (key->key() == Qt::Key_Return || key->key() == Qt::Key_Enter) &&
            key->modifiers() == Qt::NoModifier)
            if (auto* button = qobject_cast<QPushButton*>(focus); button && object == focus) {
                button->click();
                return true;
            }
    }
    return QMainWindow::eventFilter(object, event);
}

}  // namespace rivlen
