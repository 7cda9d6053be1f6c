#pragma once
#include <QWidget>

#include "app/weigh/WeighDesk.h"

namespace rivlen {

/// Band bias as a curve with eight points over the live spectrum of source and dialogue. Points are dragged, or chosen
/// with left and right and moved with up and down; a double click or Delete brings one back to 0, a right click or
/// Return bypasses it: it stands at 0 until it is switched on again.
class BandBiasCurve : public QWidget {
    Q_OBJECT
public:
    BandBiasCurve(Document& document, Reels& reels, Hearing& hearing, QWidget* parent = nullptr);
    static constexpr int kPoints = 8;
    /// The desk whose spectrum is drawn behind the curve.
    void setDesk(WeighDesk* desk);
    QPointF pointAt(int i) const;  ///< where a point is drawn
    int selected() const { return m_selected; }
    void bypass(int i);                           ///< or switches it on again
    std::optional<double> bypassed(int i) const;  ///< the value that comes back, of a bypassed point

signals:
    void explained(const QString& sentence);

protected:
    void paintEvent(QPaintEvent*) override;
    void mousePressEvent(QMouseEvent*) override;
    void mouseMoveEvent(QMouseEvent*) override;
    void mouseReleaseEvent(QMouseEvent*) override;
    void mouseDoubleClickEvent(QMouseEvent*) override;
    void keyPressEvent(QKeyEvent*) override;
    void focusInEvent(QFocusEvent*) override;
    void focusOutEvent(QFocusEvent*) override { update(); }
    void enterEvent(QEnterEvent*) override;

private:
    QRectF area() const;
    double xAt(double hz) const;
    double hzAt(double x) const;
    BandBias points() const;  ///< the reel's curve as eight points
    int nearest(double x) const;
    void move(int i, double hz, double value, bool dragging);
    void paintSpectrum(QPainter& p);
    Document& m_document;
    Hearing& m_hearing;
    WeighDesk* m_desk = nullptr;
    int m_selected = 0;
    bool m_dragging = false;
};

}  // namespace rivlen
