#pragma once
#include <QLabel>
#include <QListWidget>
#include <QPushButton>

#include "app/weigh/TradeOffChart.h"

namespace rivlen {

/// What isolation does to the present span: the trade-off chart, spill and damage with its parts, the worst places.
class WeighStrip : public QWidget {
    Q_OBJECT
public:
    WeighStrip(WeighDesk& desk, QWidget* parent = nullptr);

private:
    void refresh();
    WeighDesk& m_desk;
    QLabel* m_reason;
    QPushButton* m_take;
    QListWidget* m_places;
};

/// Spill, damage and its five parts as figures and bars.
class DamageBars : public QWidget {
    Q_OBJECT
public:
    explicit DamageBars(WeighDesk& desk, QWidget* parent = nullptr);

protected:
    void paintEvent(QPaintEvent*) override;
    bool event(QEvent*) override;

private:
    QRectF row(int i) const;
    WeighDesk& m_desk;
};

}  // namespace rivlen
