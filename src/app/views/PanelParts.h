#pragma once
#include <QBoxLayout>
#include <QLabel>
#include <QPushButton>

#include "app/Theme.h"

// The parts that pages of a stage's panel are put together from.
namespace rivlen {

inline QLabel* addPageHeading(QBoxLayout* column, const QString& text) {
    auto* label = new QLabel(text);
    label->setFont(theme::font(13, QFont::DemiBold));
    column->addWidget(label);
    return label;
}

inline QLabel* addPageText(QBoxLayout* column, const QString& text = {}) {
    auto* label = new QLabel(text);
    label->setWordWrap(true);
    label->setFont(theme::font(12));
    label->setStyleSheet("color: #a79d8c");
    column->addWidget(label);
    return label;
}

inline QPushButton* makeSmallButton(const char* name, const QString& label, const QString& tip) {
    auto* b = new QPushButton(label);
    b->setObjectName(name);
    b->setToolTip(tip);
    b->setStyleSheet("QPushButton { padding: 3px 10px }");
    return b;
}

}  // namespace rivlen
