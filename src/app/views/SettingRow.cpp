#include "app/views/SettingRow.h"

#include <QEvent>
#include <QHBoxLayout>
#include <QSignalBlocker>
#include <cmath>

#include "app/Theme.h"

namespace rivlen {

SettingRow::SettingRow(Controller& controller, const IsolationParameter& parameter, QWidget* parent)
    : QWidget(parent), m_controller(controller), m_parameter(parameter) {
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(8);
    auto* name = new QLabel(parameter.name);
    name->setFont(theme::font(13, QFont::Medium));
    name->setFixedWidth(86);
    m_slider = new QSlider(Qt::Horizontal);
    m_slider->setObjectName(parameter.id);
    m_slider->setAccessibleName(parameter.name);
    m_slider->setAccessibleDescription(parameter.explanation);
    m_slider->setRange(int(std::lround(parameter.minimum / parameter.step)), int(std::lround(parameter.maximum / parameter.step)));
    m_slider->setPageStep(std::max(1, (m_slider->maximum() - m_slider->minimum()) / 20));
    m_value = new QLineEdit;
    m_value->setFixedWidth(64);
    m_value->setAlignment(Qt::AlignRight);
    m_value->setObjectName(QString(parameter.id) + "_value");
    auto* reset = m_reset = new QPushButton(QString(QChar(0x21ba)));
    reset->setStyleSheet("padding: 3px 7px");
    reset->setObjectName(QString(parameter.id) + "_reset");
    reset->setToolTip(QString("Reset: %1").arg(QString::fromStdString(describeValue(parameter, parameter.neutral))));
    reset->setAccessibleName(QString("Reset %1").arg(parameter.name));
    row->addWidget(name);
    row->addWidget(m_slider, 1);
    row->addWidget(m_value);
    row->addWidget(reset);
    setToolTip(parameter.explanation);
    for (QWidget* w : {static_cast<QWidget*>(m_slider), static_cast<QWidget*>(m_value), static_cast<QWidget*>(reset)}) w->installEventFilter(this);
    connect(m_slider, &QSlider::valueChanged, this, [this](int v) { set(v * m_parameter.step, true); });
    connect(m_slider, &QSlider::sliderReleased, this, [this] { m_controller.endGesture(); });
    connect(reset, &QPushButton::clicked, this, [this] { set(m_parameter.neutral, false); });
    connect(m_value, &QLineEdit::editingFinished, this, [this] {
        if (!m_value->isModified()) return;
        m_value->setModified(false);
        try {
            set(parseValue(m_parameter, m_value->text().trimmed().toStdString()), false);
        } catch (const Error& e) {
            emit m_controller.notice(QString::fromStdString(e.what()));
        }
        refresh();
    });
    connect(&controller, &Controller::sessionChanged, this, &SettingRow::refresh);
    connect(&controller, &Controller::stemsChanged, this, &SettingRow::refresh);
    refresh();
}

void SettingRow::set(double value, bool dragging) {
    m_controller.editReel(QString("Set %1").arg(m_parameter.name), [&](Reel& r) { r.isolation().*m_parameter.value = value; },
                          dragging ? m_parameter.id : "");
}

void SettingRow::refresh() {
    const Reel* reel = m_controller.reel();
    const ReelState* state = m_controller.currentState();
    const bool blind = m_controller.blind();
    setEnabled(reel && state && state->stems && !blind);
    for (QWidget* w : {static_cast<QWidget*>(m_slider), static_cast<QWidget*>(m_value), static_cast<QWidget*>(m_reset)}) w->setEnabled(isEnabled() && m_hindrance.isEmpty());
    setToolTip(m_hindrance.isEmpty() ? QString(m_parameter.explanation) : m_hindrance);
    const double value = reel && !blind ? reel->isolation().*m_parameter.value : m_parameter.neutral;
    const QSignalBlocker quiet(m_slider);
    m_slider->setValue(int(std::lround(value / m_parameter.step)));
    if (!m_value->hasFocus() || !m_value->isModified()) m_value->setText(blind ? QString("hidden") : QString::fromStdString(describeValue(m_parameter, value)));
}

void SettingRow::setHindrance(const QString& sentence) {
    m_hindrance = sentence;
    refresh();
}

void SettingRow::enterEvent(QEnterEvent*) { emit explained(m_hindrance.isEmpty() ? QString(m_parameter.explanation) : m_hindrance); }

bool SettingRow::eventFilter(QObject* object, QEvent* event) {
    if (event->type() == QEvent::FocusIn) emit explained(m_parameter.explanation);
    return QWidget::eventFilter(object, event);
}

}  // namespace rivlen
