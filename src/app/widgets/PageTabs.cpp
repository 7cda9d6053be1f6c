#include "app/widgets/PageTabs.h"

#include <cmath>

#include "app/widgets/Theme.h"

namespace rivlen {

PageTabs::PageTabs(const QStringList& titles, QWidget* parent) : QTabBar(parent) {
    setExpanding(false);
    setDrawBase(false);
    setElideMode(Qt::ElideNone);
    setUsesScrollButtons(false);
    setStyleSheet(theme::sheet(
        "QTabBar::tab { padding: 5px 1px; color: @quiet; border-bottom: 2px solid @line } QTabBar::tab:selected { "
        "color: @ink; border-bottom: 2px solid @ink }"
        "QTabBar::tab:focus { color: @ink }"));
    for (const QString& title : titles) addTab(title);
}

int PageTabs::titlesWidth() const {
    int all = 0;
    for (int i = 0; i < count(); ++i) all += titleWidth(i);
    return all;
}

QSize PageTabs::tabSizeHint(int index) const {
    const QSize own = QTabBar::tabSizeHint(index);
    const int rest = width() - titlesWidth(), each = int(std::floor(double(rest) / count()));
    // What does not divide goes to the first ones, a point each.
    return {own.width() + each + (index < rest - each * count()), own.height()};
}

}  // namespace rivlen
