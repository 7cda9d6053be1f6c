#pragma once
#include <QLabel>
#include <QMainWindow>
#include <QPushButton>
#include <QScrollBar>
#include <QStackedWidget>
#include <QTimer>

#include "app/Controller.h"
#include "app/PictureDock.h"
#include "app/stages/StagePanel.h"
#include "app/views/ConfidenceView.h"
#include "app/views/CourseBar.h"
#include "app/views/CurrentView.h"
#include "app/views/DifferenceView.h"
#include "app/views/LanesView.h"
#include "app/views/MeterView.h"
#include "app/views/OwnershipView.h"
#include "app/views/PictureStrip.h"
#include "app/views/ReelTable.h"
#include "app/views/StrengthLane.h"
#include "app/views/TransportBar.h"
#include "app/views/WeighStrip.h"
#include "app/views/WorkLine.h"

namespace rivlen {

/// The window: course on top, pictures over one time axis in the centre, the stage's controls on the
/// right, transport and work line below.
class MainWindow : public QMainWindow {
    Q_OBJECT
public:
    explicit MainWindow(Controller& controller, QWidget* parent = nullptr);

    TimeAxis& axis() { return m_axis; }
    WorkLine& workLine() { return *m_workLine; }
    OwnershipView& ownership() { return *m_ownership; }
    WeighDesk& desk() { return m_desks.weigh; }
    Desks& desks() { return m_desks; }
    /// Which picture is shown.
    enum class Picture { Current, Ownership, Difference };
    void showPicture(Picture picture);
    Picture picture() const { return Picture(m_pictures->currentIndex()); }
    ComputedPicture& difference() { return *m_difference; }
    ComputedPicture& strip() { return *m_strip; }
    PictureDock& pictureDock() { return *m_dock; }
    LanesView& lanes() { return *m_lanes; }
    void showTable(bool on);

protected:
    void dragEnterEvent(QDragEnterEvent*) override;
    void dropEvent(QDropEvent*) override;
    void closeEvent(QCloseEvent*) override;
    bool eventFilter(QObject*, QEvent*) override;

private:
    void buildMenus();
    void buildShortcuts();
    void refresh();
    void reelOpened();
    void tick();
    void openFileDialog();
    void save(bool as);
    bool mayDiscard();
    void buildRebuildKeys();
    bool rebuilding() const { return m_controller.session().stage == "rebuild"; }
    void showMeters();
    bool weighing() const;  ///< the Weigh stage is shown and nothing is hidden
    void setLoopEdge(bool start);
    void showShortcuts();

    Controller& m_controller;
    Desks m_desks;
    TimeAxis m_axis;
    CourseBar* m_course;
    QLabel *m_name, *m_empty;
    QPushButton *m_undo, *m_redo, *m_view;
    QStackedWidget *m_pictures, *m_panels, *m_centre;
    OwnershipView* m_ownership;
    CurrentView* m_current;
    ConfidenceView* m_confidence;
    DifferenceView* m_difference;
    PictureStrip* m_strip;
    PictureDock* m_dock;
    ReelTable* m_table;
    bool m_tableShown = false;
    StrengthLane* m_lane;
    LanesView* m_lanes;
    bool m_strengthShown = false;  ///< at Rebuild
    QWidget* m_meterWindow = nullptr;
    WeighStrip* m_weighStrip;
    TimeRuler* m_ruler;
    QScrollBar* m_scroll;
    TransportBar* m_transport;
    WorkLine* m_workLine;
    std::vector<StagePanel*> m_stagePanels;
    QMenu* m_recent;
    QTimer m_timer;
    std::string m_shown;  ///< reel on the axis
    double m_shownDuration = -1;
    std::optional<Heard> m_held;  ///< what was heard before the source key was held
};

}  // namespace rivlen
