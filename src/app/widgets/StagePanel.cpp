#include "app/widgets/StagePanel.h"

#include "app/widgets/Theme.h"

namespace rivlen {

StagePanel::StagePanel(const QString& question, QWidget* parent) : QWidget(parent) {
    m_column = new QVBoxLayout(this);
    m_column->setContentsMargins(16, 14, 16, 14);
    m_column->setSpacing(8);
    auto* heading = addHeading(question);
    heading->setFont(theme::font(15, QFont::DemiBold));
    m_column->addSpacing(6);
}

QLabel* StagePanel::addText(const QString& text, bool quiet) {
    auto* label = new QLabel(text);
    label->setWordWrap(true);
    if (quiet) label->setStyleSheet(theme::sheet("color: @quiet"));
    m_column->addWidget(label);
    return label;
}

QLabel* StagePanel::addHeading(const QString& text) {
    auto* label = new QLabel(text);
    label->setWordWrap(true);
    label->setFont(theme::font(13, QFont::DemiBold));
    m_column->addWidget(label);
    return label;
}

}  // namespace rivlen
