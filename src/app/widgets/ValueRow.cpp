#include "app/widgets/ValueRow.h"

#include <QEvent>
#include <QHBoxLayout>
#include <QSignalBlocker>
#include <cmath>

#include "app/widgets/Theme.h"
#include "app/words/Say.h"

namespace rivlen {

ValueRow::ValueRow(Range range, QWidget* name, QWidget* parent) : QWidget(parent), m_range(std::move(range)) {
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(8);
    if (!name) {
        name = new QLabel(m_range.name);
        name->setFont(theme::font(13, QFont::Medium));
    }
    name->setFixedWidth(86);
    m_slider = new QSlider(Qt::Horizontal);
    m_slider->setObjectName(m_range.id);
    m_slider->setAccessibleName(m_range.name);
    m_slider->setRange(int(std::lround(m_range.minimum / m_range.step)),
                       int(std::lround(m_range.maximum / m_range.step)));
    m_slider->setPageStep(std::max(1, (m_slider->maximum() - m_slider->minimum()) / 20));
    m_value = new QLineEdit;
    m_value->setFixedWidth(72);
    m_value->setAlignment(Qt::AlignRight);
    m_value->setObjectName(m_range.id + "_value");
    m_value->setAccessibleName(m_range.name);
    m_reset = new QPushButton(QString(QChar(0x21ba)));
    m_reset->setStyleSheet("padding: 3px 7px");
    m_reset->setObjectName(m_range.id + "_reset");
    m_reset->setToolTip(say("Reset: %1").arg(m_range.describe(m_range.usual)));
    m_reset->setAccessibleName(say("Reset %1").arg(m_range.name));
    row->addWidget(name);
    row->addWidget(m_slider, 1);
    row->addWidget(m_value);
    row->addWidget(m_reset);
    setExplanation(m_range.explanation);
    for (QWidget* w : {static_cast<QWidget*>(m_slider), static_cast<QWidget*>(m_value), static_cast<QWidget*>(m_reset)})
        w->installEventFilter(this);
    connect(m_slider, &QSlider::valueChanged, this, [this](int v) { emit set(v * m_range.step, true); });
    connect(m_slider, &QSlider::sliderReleased, this, &ValueRow::released);
    connect(m_reset, &QPushButton::clicked, this, [this] { emit set(m_range.usual, false); });
    connect(m_value, &QLineEdit::editingFinished, this, [this] {
        if (!m_value->isModified()) return;
        m_value->setModified(false);
        try {
            emit set(m_range.parse(m_value->text().trimmed()), false);
        } catch (const std::exception& e) {
            emit refused(QString::fromUtf8(e.what()));
        }
    });
}

void ValueRow::show(double value, const QString& text) {
    const QSignalBlocker quiet(m_slider);
    m_slider->setValue(int(std::lround(value / m_range.step)));
    if (!m_value->hasFocus() || !m_value->isModified())
        m_value->setText(text.isEmpty() ? m_range.describe(value) : text);
}

void ValueRow::setExplanation(const QString& sentence) {
    setToolTip(sentence);
    m_slider->setAccessibleDescription(sentence);
}

void ValueRow::setUsable(bool usable) {
    for (QWidget* w : {static_cast<QWidget*>(m_slider), static_cast<QWidget*>(m_value), static_cast<QWidget*>(m_reset)})
        w->setEnabled(usable);
}

void ValueRow::enterEvent(QEnterEvent*) { emit explained(toolTip()); }

bool ValueRow::eventFilter(QObject* object, QEvent* event) {
    if (event->type() == QEvent::FocusIn) emit explained(toolTip());
    return QWidget::eventFilter(object, event);
}

}  // namespace rivlen
