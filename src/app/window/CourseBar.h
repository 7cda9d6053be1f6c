#pragma once
#include <QWidget>

#include "app/document/Document.h"
#include "app/reels/Reels.h"

namespace rivlen {

/// The course: the five stages as stations on one line, each with its state. Click or Alt+1 ... 5.
class CourseBar : public QWidget {
    Q_OBJECT
public:
    enum class State { Empty, InWork, Done, Attention };
    static constexpr int kStations = int(kStages.size());

    explicit CourseBar(Document& document, Reels& reels, QWidget* parent = nullptr);
    State stationState(int station) const;
    /// Who knows how far the present reel's delivery is.
    void askAboutDispatch(std::function<State()> dispatch) { m_dispatch = std::move(dispatch); }
    QSize sizeHint() const override { return {560, 52}; }

protected:
    void paintEvent(QPaintEvent*) override;
    void mousePressEvent(QMouseEvent*) override;
    bool event(QEvent*) override;

private:
    QRectF stationRect(int station) const;
    int stationAt(const QPointF& p) const;
    Document& m_document;
    Reels& m_reels;
    std::function<State()> m_dispatch;
};

}  // namespace rivlen
