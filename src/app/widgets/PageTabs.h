#pragma once
#include <QTabBar>

namespace rivlen {

/// Tabs that fill their row with the same room around each title, so that they stand evenly however long the titles
/// are.
class PageTabs : public QTabBar {
public:
    explicit PageTabs(const QStringList& titles, QWidget* parent = nullptr);
    QSize sizeHint() const override { return {titlesWidth(), QTabBar::sizeHint().height()}; }
    QSize minimumSizeHint() const override { return sizeHint(); }

protected:
    QSize tabSizeHint(int index) const override;
    QSize minimumTabSizeHint(int index) const override { return tabSizeHint(index); }

private:
    int titleWidth(int index) const { return QTabBar::tabSizeHint(index).width(); }
    int titlesWidth() const;
};

}  // namespace rivlen
