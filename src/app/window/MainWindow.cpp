#include "app/window/MainWindow.h"

#include <QAbstractItemView>
#include <QAbstractSpinBox>
#include <QActionGroup>
#include <QApplication>
#include <QCloseEvent>
#include <QComboBox>
#include <QFileDialog>
#include <QHBoxLayout>
#include <QInputDialog>
#include <QKeyEvent>
#include <QLineEdit>
#include <QMenuBar>
#include <QMessageBox>
#include <QMimeData>
#include <QSettings>

#include "app/dispatch/CleanControls.h"
#include "app/dispatch/DispatchKeys.h"
#include "app/document/Path.h"
#include "app/hearing/SoundOutputDialog.h"
#include "app/intake/IntakeKeys.h"
#include "app/rebuild/EffectPicker.h"
#include "app/rebuild/RebuildKeys.h"
#include "app/rebuild/ToolControls.h"
#include "app/split/SplitKeys.h"
#include "app/weigh/WeighKeys.h"
#include "app/widgets/Theme.h"
#include "app/window/FollowPicture.h"
#include "app/window/HeldKeys.h"
#include "app/window/WindowKeys.h"
#include "app/words/Language.h"
#include "app/words/Say.h"

namespace rivlen {

MainWindow::MainWindow(Studio& studio, QWidget* parent)
    : QMainWindow(parent),
      m_studio(studio),
      m_desks(studio),
      m_actions(new SessionActions(studio, this)),
      m_keys(this),
      m_tracker(studio.hearing.headphones(), studio.work) {
    setAcceptDrops(true);
    resize(1280, 800);
    auto* whole = new QWidget;
    auto* column = new QVBoxLayout(whole);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    m_top = new TopBar(studio.document, studio.reels, m_desks.dispatch);
    column->addWidget(m_top);
    auto* centre = new QHBoxLayout;
    centre->setSpacing(0);
    centre->addWidget(makeCentre(), 1);
    makePanels();
    centre->addWidget(m_panels);
    column->addLayout(centre, 1);
    m_transport = new TransportBar(studio.document, studio.reels, studio.hearing);
    m_transport->setAttribute(Qt::WA_StyledBackground);
    m_transport->setObjectName("transport");
    m_transport->setStyleSheet(theme::sheet("#transport { background: @raised; border-top: 1px solid @line; }"));
    m_workLine = new WorkLine(studio.hearing, studio.work);
    column->addWidget(m_transport);
    column->addWidget(m_workLine);
    setCentralWidget(whole);

    connect(&studio.document, &Document::changed, this, &MainWindow::refresh);
    connect(&studio.reels, &Reels::read, this, &MainWindow::refresh);
    connect(&studio.reels, &Reels::diagnosed, this, &MainWindow::refresh);
    connect(&studio.reels, &Reels::stemsChanged, this, &MainWindow::refresh);
    connect(&studio.hearing, &Hearing::changed, this, &MainWindow::refresh);
    connect(&m_desks.rebuild.mend, &MendTool::changed, this, &MainWindow::refresh);
    connect(&studio.hearing, &Hearing::pulse, this, &MainWindow::tick);
    m_actions->addMenus([this] { cleanVoiceOf(m_desks.clean, this); });
    makeViewMenu();
    connect(&m_desks.weigh, &WeighDesk::changed, this, &MainWindow::proposeNext);
    connect(&m_desks.treatment, &TreatmentDesk::changed, this, &MainWindow::proposeNext);
    connect(&m_desks.dispatch, &DispatchDesk::changed, this, &MainWindow::proposeNext);
    connect(&studio.apart, &TakingApart::changed, this, &MainWindow::proposeNext);
    connect(m_workLine, &WorkLine::nextWanted, this, &MainWindow::doNext);
    menuBar()
        ->addMenu(say("Help"))
        ->addAction(say("Keyboard shortcuts"), QKeySequence("F1"), this, &MainWindow::showShortcuts);
    followPicture(*m_dock, m_desks.rebuild.follow, studio.document, studio.hearing);
    addKeys();
    qApp->installEventFilter(new HeldKeys(studio.hearing, this));
    refresh();
}

void MainWindow::makeViewMenu() {
    m_meterWindow = new OwnWindow("meter", say("Meters"), new MeterView(m_desks.meters), nullptr, this);
    m_meterWindow->resize(420, 140);
    auto* view = menuBar()->addMenu(say("View"));
    const auto window = [&](const QString& name, const char* keys, OwnWindow& own) {
        auto* action = view->addAction(name);
        action->setShortcut(QKeySequence(keys));
        action->setCheckable(true);
        connect(action, &QAction::triggered, &own, &OwnWindow::set);
        connect(&own, &OwnWindow::changed, action, &QAction::setChecked);
    };
    window(say("Meters"), "G", *m_meterWindow);
    window(say("Picture in its own window"), "Ctrl+Shift+V", m_pictures->pictureWindow());
    window(say("Lanes in their own window"), "Ctrl+Shift+L", m_pictures->lanesWindow());
    Headphones& head = m_studio.hearing.headphones();
    auto* phones = view->addAction(say("Headphones"));
    phones->setShortcut(QKeySequence("Ctrl+H"));
    phones->setCheckable(true);
    phones->setChecked(head.on());
    connect(phones, &QAction::triggered, &head, &Headphones::set);
    connect(&head, &Headphones::changed, phones, [phones, &head] { phones->setChecked(head.on()); });
    view->addAction(say("Head-related responses…"), this, [this, &head] {
        const QString file =
            QFileDialog::getOpenFileName(this, say("Head-related responses"), {}, say("SOFA files (*.sofa)"));
        if (!file.isEmpty()) head.choose(toPath(file));
    });
    auto* shipped = view->addAction(say("Head-related responses that are shipped"), this, [&head] { head.choose({}); });
    connect(view, &QMenu::aboutToShow, shipped, [shipped, &head] { shipped->setEnabled(!head.file().empty()); });
    auto* tracker = view->addAction(say("Head tracker"));
    tracker->setToolTip(say("Turns the head by what a tracker on this machine sends (OSC, /head/yaw)"));
    tracker->setCheckable(true);
    connect(tracker, &QAction::triggered, &m_tracker, &HeadTracker::set);
    connect(&m_tracker, &HeadTracker::changed, tracker, [this, tracker] { tracker->setChecked(m_tracker.on()); });
    view->addAction(say("Port of the head tracker…"), this, [this] {
        bool taken = false;
        const int port = QInputDialog::getInt(this, say("Head tracker"), say("UDP port of this machine:"),
                                              m_tracker.port(), 1024, 65535, 1, &taken);
        if (taken) m_tracker.setPort(port);
    });
    view->addAction(say("Sound output…"), this, [this] { openSoundOutputDialog(m_studio.hearing.output(), this); });
    auto* looks = view->addMenu(say("Appearance"));
    auto* one = new QActionGroup(looks);
    for (int i = 0; i < theme::kAppearances; ++i) {
        auto* look = looks->addAction(theme::appearanceName(theme::Appearance(i)));
        look->setActionGroup(one);
        look->setCheckable(true);
        look->setChecked(theme::chosenAppearance() == theme::Appearance(i));
        connect(look, &QAction::triggered, this, [this, i] {
            theme::chooseAppearance(theme::Appearance(i));
            m_studio.work.report(say("The appearance is another one from the next start on."));
        });
    }
    auto* languages = view->addMenu(say("Language of the window"));
    auto* spoken = new QActionGroup(languages);
    for (const QString& id : language::all()) {
        auto* choice = languages->addAction(language::name(id));
        choice->setActionGroup(spoken);
        choice->setCheckable(true);
        choice->setChecked(language::chosen() == id);
        connect(choice, &QAction::triggered, this, [this, id] {
            language::choose(id);
            m_studio.work.report(say("The language is another one from the next start on."));
        });
    }
    m_proposing = view->addAction(say("Propose the next step"));
    m_proposing->setCheckable(true);
    m_proposing->setChecked(QSettings().value("proposeNext", true).toBool());
    connect(m_proposing, &QAction::toggled, this, [this](bool on) {
        QSettings().setValue("proposeNext", on);
        proposeNext();
    });
}

void MainWindow::rememberLayout() const {
    QSettings settings;
    settings.setValue("layout/main", saveGeometry());
    settings.setValue("layout/docks", m_dockable->saveState());
    settings.setValue("layout/picture", m_dock->wanted());
    for (const OwnWindow* own : {m_meterWindow, &m_pictures->pictureWindow(), &m_pictures->lanesWindow()})
        own->remember();
}

void MainWindow::restoreLayout() {
    const QSettings settings;
    restoreGeometry(settings.value("layout/main").toByteArray());
    m_dockable->restoreState(settings.value("layout/docks").toByteArray());
    m_dock->setWanted(settings.value("layout/picture", true).toBool());
    for (OwnWindow* own : {m_meterWindow, &m_pictures->pictureWindow(), &m_pictures->lanesWindow()}) own->restore();
}

QWidget* MainWindow::makeCentre() {
    m_empty = new QLabel(say(
        "Drop a mixed recording here, audio or video,\nor press Ctrl+I to choose one.\n\nRivlen takes it apart into "
        "dialogue, music and ambience, on this machine only."));
    m_empty->setAlignment(Qt::AlignCenter);
    m_empty->setFont(theme::font(16));
    m_empty->setStyleSheet(theme::sheet("color: @quiet"));
    m_pictures = new Pictures(m_studio, m_desks, this);
    m_table = new ReelTable(m_studio.document, m_studio.reels, m_studio.treating, m_studio.work, m_desks.reels);
    connect(m_table, &ReelTable::closed, this, [this] { showTable(false); });
    m_centre = new QStackedWidget;
    for (QWidget* page :
         {static_cast<QWidget*>(m_empty), static_cast<QWidget*>(m_pictures), static_cast<QWidget*>(m_table)})
        m_centre->addWidget(page);
    // So that the picture window docks beside the pictures and the transport keeps its width.
    m_dockable = new QMainWindow;
    m_dockable->setWindowFlags(Qt::Widget);
    m_dockable->setCentralWidget(m_centre);
    m_dock = new PictureDock(m_studio.document, m_studio.reels, m_studio.hearing, m_studio.work, m_dockable);
    m_dockable->addDockWidget(Qt::LeftDockWidgetArea, m_dock);
    return m_dockable;
}

void MainWindow::makePanels() {
    m_panels = new QStackedWidget;
    m_panels->setFixedWidth(340);
    m_panels->setObjectName("panels");
    m_panels->setStyleSheet(theme::sheet("#panels { background: @raised; border-left: 1px solid @line; }"));
    for (const auto& make : panelTable()) {
        StagePanel* panel = m_stagePanels.emplace_back(make(m_studio, m_desks));
        m_panels->addWidget(panel);
        connect(panel, &StagePanel::differenceWanted, this,
                [this] { m_pictures->toggle(Picture::Difference, Picture::Ownership); });
        connect(panel, &StagePanel::snappingChanged, &m_pictures->lanes(), &LanesView::setSnapping);
        connect(panel, &StagePanel::strengthWanted, m_pictures, &Pictures::showStrength);
        connect(panel, &StagePanel::tableWanted, this, [this] { showTable(!m_tableShown); });
    }
}

void MainWindow::addKeys() {
    addWindowKeys(m_keys, m_studio, m_desks, *m_pictures, *m_dock, [this] { showTable(!m_tableShown); });
    addIntakeKeys(m_keys, m_studio.document, m_desks.treatment);
    addSplitKeys(m_keys, m_studio.document, m_desks.marks, m_desks.scenes, m_desks.unsure);
    addWeighKeys(m_keys, m_studio.document, m_studio.hearing, m_desks.strength, m_desks.weigh, m_desks.candidates,
                 m_desks.trials, m_desks.outside,
                 [this] { m_pictures->toggle(Picture::Difference, Picture::Ownership); });
    addDispatchKeys(m_keys, m_studio.document, m_desks.deliverables);
    addRebuildKeys(
        m_keys, m_studio.document, m_studio.reels, m_desks.rebuild,
        [this] { findChild<ToolControls*>("tools")->replaceMusic(); },
        [this] { (new EffectPicker(m_desks.rebuild.effects, this))->show(); });
}

void MainWindow::showTable(bool on) {
    m_tableShown = on;
    if (on && m_studio.document.session().stage != stage::intake) m_studio.document.setStage(stage::intake);
    refresh();
}

bool MainWindow::busy() const {
    return m_pictures->ownership().busy() || m_pictures->strip().busy() || m_desks.treatment.busy() ||
           m_desks.rebuild.busy() || m_desks.weigh.busy();
}

void MainWindow::refresh() {
    const Session& session = m_studio.document.session();
    setWindowTitle(QString::fromStdString(session.name) + say(" – Rivlen"));
    m_top->refresh();
    for (size_t i = 0; i < kStages.size(); ++i)
        if (session.stage == kStages[i].id) m_panels->setCurrentIndex(int(i));
    m_pictures->refresh();
    for (StagePanel* panel : m_stagePanels) panel->refresh();
    m_pictures->showStrip(m_dock->hasPicture());
    proposeNext();
    m_centre->setCurrentIndex(!m_studio.document.reel() ? 0 : m_tableShown && session.stage == stage::intake ? 2 : 1);
}

void MainWindow::proposeNext() {
    m_next.reset();
    if (m_proposing->isChecked() && !(m_tableShown && m_studio.document.session().stage == stage::intake))
        m_next = nextStep(m_studio, m_desks, [this] { findChild<QPushButton*>("dispatch")->click(); });
    m_workLine->propose(m_next ? m_next->text : QString());
}

void MainWindow::doNext() {
    if (!m_next) return;
    const auto act = m_next->act;  // what it does proposes another one
    act();
    proposeNext();
}

void MainWindow::keyPressEvent(QKeyEvent* e) {
    // Controls that know what Return means to them come first; what they leave comes here.
    QWidget* focus = QApplication::focusWidget();
    const bool plain = !qobject_cast<QLineEdit*>(focus) && !qobject_cast<QComboBox*>(focus) &&
                       !qobject_cast<QAbstractSpinBox*>(focus) && !qobject_cast<QAbstractItemView*>(focus) &&
                       !qobject_cast<QAbstractButton*>(focus);
    if ((e->key() == Qt::Key_Return || e->key() == Qt::Key_Enter) && e->modifiers() == Qt::NoModifier && plain)
        return doNext();
    QMainWindow::keyPressEvent(e);
}

void MainWindow::tick() {
    m_transport->tick();
    m_workLine->tick();
    m_desks.weigh.tick();
    m_desks.meters.tick();
    m_pictures->tick();
}

void MainWindow::showShortcuts() {
    QMessageBox box(this);
    box.setWindowTitle(say("Keyboard shortcuts"));
    box.setTextFormat(Qt::RichText);
    box.setText(m_keys.html());
    box.exec();
}

void MainWindow::dragEnterEvent(QDragEnterEvent* e) {
    if (e->mimeData()->hasUrls()) e->acceptProposedAction();
}

void MainWindow::dropEvent(QDropEvent* e) {
    QStringList files;
    for (const QUrl& url : e->mimeData()->urls())
        if (url.isLocalFile()) files << url.toLocalFile();
    e->acceptProposedAction();
    m_actions->take(files);
}

void MainWindow::closeEvent(QCloseEvent* e) {
    if (!m_actions->mayDiscard()) return e->ignore();
    rememberLayout();
    m_studio.file.begin();  // saved or given up on purpose: nothing to recover next time
    e->accept();
}

}  // namespace rivlen
