#pragma once
#include <QLabel>
#include <QMainWindow>
#include <QStackedWidget>

#include "app/hearing/HeadTracker.h"
#include "app/intake/ReelTable.h"
#include "app/views/MeterView.h"
#include "app/views/PictureDock.h"
#include "app/views/TransportBar.h"
#include "app/widgets/KeySheet.h"
#include "app/window/NextStep.h"
#include "app/window/Pictures.h"
#include "app/window/SessionActions.h"
#include "app/window/Stages.h"
#include "app/window/TopBar.h"
#include "app/window/WorkLine.h"

namespace rivlen {

/// The window: course on top, pictures over one time axis in the centre, the stage's controls on the
/// right, transport and work line below.
class MainWindow : public QMainWindow {
    Q_OBJECT
public:
    using Picture = Pictures::Picture;
    explicit MainWindow(Studio& studio, QWidget* parent = nullptr);

    Pictures& pictures() { return *m_pictures; }
    WorkLine& workLine() { return *m_workLine; }
    PictureDock& pictureDock() { return *m_dock; }
    Desks& desks() { return m_desks; }
    const KeySheet& keys() const { return m_keys; }
    void showTable(bool on);
    /// True while anything that the window shows is being computed.
    bool busy() const;
    /// The windows' places and which are out, as they were when the window was closed last.
    void restoreLayout();
    void rememberLayout() const;

protected:
    void dragEnterEvent(QDragEnterEvent*) override;
    void dropEvent(QDropEvent*) override;
    void closeEvent(QCloseEvent*) override;
    void keyPressEvent(QKeyEvent*) override;

private:
    QWidget* makeCentre();
    void makeViewMenu();
    void makePanels();
    void addKeys();
    void refresh();
    void proposeNext();
    void doNext();
    void tick();
    void showShortcuts();

    Studio& m_studio;
    Desks m_desks;
    SessionActions* m_actions;
    KeySheet m_keys;
    TopBar* m_top;
    QLabel* m_empty;
    QStackedWidget *m_panels, *m_centre;
    Pictures* m_pictures;
    PictureDock* m_dock;
    ReelTable* m_table;
    bool m_tableShown = false;
    OwnWindow* m_meterWindow;
    QMainWindow* m_dockable;  ///< the centre, with the picture beside it
    TransportBar* m_transport;
    WorkLine* m_workLine;
    std::optional<NextStep> m_next;
    QAction* m_proposing;
    HeadTracker m_tracker;
    std::vector<StagePanel*> m_stagePanels;
};

}  // namespace rivlen
