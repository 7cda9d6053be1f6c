#pragma once
#include <QComboBox>
#include <QPushButton>
#include <QScrollBar>
#include <QStackedWidget>

#include "app/dispatch/DeliveriesTable.h"
#include "app/dispatch/DeliveryView.h"
#include "app/intake/FaultsView.h"
#include "app/intake/LoudnessView.h"
#include "app/rebuild/LanesView.h"
#include "app/split/ConfidenceView.h"
#include "app/split/MarksLane.h"
#include "app/split/StemsView.h"
#include "app/views/CurrentView.h"
#include "app/views/OwnershipView.h"
#include "app/views/PictureStrip.h"
#include "app/weigh/DifferenceView.h"
#include "app/weigh/StrengthView.h"
#include "app/weigh/WeighStrip.h"
#include "app/window/Desks.h"
#include "app/window/OwnWindow.h"

namespace rivlen {

/// The centre of the window: everything that is drawn over the one time axis, and what moves that axis.
class Pictures : public QWidget {
    Q_OBJECT
public:
    /// Which large picture is shown.
    enum class Picture { Current, Ownership, Difference };

    /// main: whose windows those of its own are.
    Pictures(Studio& studio, Desks& desks, QWidget* main);

    TimeAxis& axis() { return m_axis; }
    OwnershipView& ownership() { return *m_ownership; }
    ComputedPicture& difference() { return *m_difference; }
    ComputedPicture& strip() { return *m_strip; }
    LanesView& lanes() { return *m_lanes; }
    void show(Picture picture);
    Picture shown() const { return Picture(m_large->currentIndex()); }
    /// Shows one picture, or the other when it is shown already.
    void toggle(Picture one, Picture other) { show(shown() == one ? other : one); }
    void stepWindow();           ///< the next length of the Ownership picture's spectra
    void showStrength(bool on);  ///< strength over time, at Rebuild
    void showStrip(bool on) { m_strip->setVisible(on); }
    void refresh();
    void tick();  ///< the playhead has moved

    /// What can stand in windows of its own.
    OwnWindow& pictureWindow() { return *m_pictureWindow; }
    OwnWindow& lanesWindow() { return *m_lanesWindow; }

private:
    void followReel();
    void showChecks();
    void showStems();
    QLayout* makeScrollRow();
    OwnWindow* makeWindow(const QString& id, const QString& title, QWidget* view, QBoxLayout* home, QWidget* main);
    void showMarkMenu(const QPoint& at);  ///< at Split, on the Current
    bool at(const char* stage) const { return m_studio.document.session().stage == stage; }

    Studio& m_studio;
    Desks& m_desks;
    TimeAxis m_axis;
    TimeRuler* m_ruler;
    PictureStrip* m_strip;
    QStackedWidget* m_large;
    CurrentView* m_current;
    OwnershipView* m_ownership;
    DifferenceView* m_difference;
    DeliveriesTable* m_deliveries;
    DeliveryView* m_delivery;
    QLabel* m_checks;
    FaultsView* m_faults;
    LoudnessView* m_loudness;
    StemsView* m_stems;
    MarksLane* m_marks;
    ConfidenceView* m_confidence;
    LanesView* m_lanes;
    StrengthView* m_strength;
    WeighStrip* m_weighStrip;
    OwnWindow *m_pictureWindow, *m_lanesWindow;
    std::vector<TimeRuler*> m_rulers;  ///< of those windows
    QLabel* m_elsewhere;               ///< stands where a view is missing
    QPushButton* m_view;
    QComboBox* m_window;
    QScrollBar* m_scroll;
    bool m_strengthShown = false;
    std::string m_reel;  ///< on the axis
    double m_duration = -1;
    int64_t m_drawnAt = -1;  ///< frame at which the playhead was drawn
};

}  // namespace rivlen
