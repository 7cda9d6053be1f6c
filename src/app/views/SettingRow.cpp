#include "app/views/SettingRow.h"

#include <QHBoxLayout>
#include <QPushButton>
#include <QSignalBlocker>
#include <QVBoxLayout>
#include <cmath>

#include "app/Theme.h"

namespace rivlen {

SettingRow::SettingRow(Controller& controller, const IsolationParameter& parameter, QWidget* parent)
    : QWidget(parent), m_controller(controller), m_parameter(parameter) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 10);
    column->setSpacing(4);
    auto* head = new QHBoxLayout;
    auto* name = new QLabel(parameter.name);
    name->setFont(theme::font(14, QFont::DemiBold));
    m_value = new QLineEdit;
    m_value->setFixedWidth(82);
    m_value->setAlignment(Qt::AlignRight);
    m_value->setObjectName(QString(parameter.id) + "_value");
    auto* reset = new QPushButton("Reset");
    reset->setStyleSheet("padding: 3px 8px");
    reset->setObjectName(QString(parameter.id) + "_reset");
    reset->setToolTip("Back to the network's plain answer");
    head->addWidget(name);
    head->addStretch();
    head->addWidget(m_value);
    head->addWidget(reset);
    m_slider = new QSlider(Qt::Horizontal);
    m_slider->setObjectName(parameter.id);
    m_slider->setAccessibleName(parameter.name);
    m_slider->setRange(int(std::lround(parameter.minimum / parameter.step)), int(std::lround(parameter.maximum / parameter.step)));
    m_slider->setPageStep(std::max(1, (m_slider->maximum() - m_slider->minimum()) / 20));
    auto* why = new QLabel(parameter.explanation);
    why->setWordWrap(true);
    why->setStyleSheet("color: #a79d8c");
    column->addLayout(head);
    column->addWidget(m_slider);
    column->addWidget(why);
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
    m_controller.editReel(QString("Set %1").arg(m_parameter.name), [&](Reel& r) { r.isolation.*m_parameter.value = value; },
                          dragging ? m_parameter.id : "");
}

void SettingRow::refresh() {
    const Reel* reel = m_controller.reel();
    const ReelState* state = m_controller.currentState();
    setEnabled(reel && state && state->stems);
    const double value = reel ? reel->isolation.*m_parameter.value : m_parameter.neutral;
    const QSignalBlocker quiet(m_slider);
    m_slider->setValue(int(std::lround(value / m_parameter.step)));
    if (!m_value->hasFocus() || !m_value->isModified()) m_value->setText(QString::fromStdString(describeValue(m_parameter, value)));
}

}  // namespace rivlen
