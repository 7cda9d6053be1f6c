#pragma once
#include <QObject>
#include <algorithm>

namespace rivlen {

/// The one time axis that all views share: which seconds of the recording are visible.
class TimeAxis : public QObject {
    Q_OBJECT
public:
    using QObject::QObject;
    double duration() const { return m_duration; }
    double from() const { return m_from; }
    double to() const { return m_to; }
    double span() const { return m_to - m_from; }

    void setDuration(double seconds) {
        m_duration = std::max(0.0, seconds);
        show(0, m_duration);
    }
    /// Shows a span, kept inside the recording and no shorter than 2 ms: single samples can be told apart.
    void show(double from, double to) {
        const double length = std::clamp(to - from, std::min(0.002, m_duration), m_duration);
        m_from = std::clamp(from, 0.0, m_duration - length);
        m_to = m_from + length;
        emit changed();
    }
    /// Zooms so that the second at `around` stays where it is; factor below 1 shows less.
    void zoom(double factor, double around) {
        show(around - (around - m_from) * factor, around + (m_to - around) * factor);
    }
    void scroll(double seconds) { show(m_from + seconds, m_to + seconds); }

    double secondAt(double x, int width) const { return m_from + span() * x / std::max(1, width); }
    double xAt(double second, int width) const { return span() > 0 ? (second - m_from) / span() * width : 0; }

signals:
    void changed();

private:
    double m_duration = 0, m_from = 0, m_to = 0;
};

}  // namespace rivlen
