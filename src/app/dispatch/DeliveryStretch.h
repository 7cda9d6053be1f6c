#pragma once
#include <QTimer>
#include <filesystem>
#include <optional>
#include <vector>

#include "app/views/TimeAxis.h"
#include "app/work/NewestJob.h"

namespace rivlen {

/// What is in sight of a delivered file, from the file itself: finer than the curves of its report, down to single
/// samples. Less than half a minute is read beside the window; of more, the outline that was made of the whole file
/// when it was chosen is shown at once.
class DeliveryStretch : public QObject {
    Q_OBJECT
public:
    static constexpr double kReadSeconds = 30;      ///< most that is read for what is in sight
    static constexpr double kLoudnessSeconds = 10;  ///< and for its loudness, while there is no outline

    explicit DeliveryStretch(const TimeAxis& axis, QObject* parent = nullptr);
    /// The files (one, or one for each channel) of what is shown, and where on the axis they begin; none: nothing is.
    void follow(std::vector<std::filesystem::path> files, double begin);

    struct Found {
        double from = 0, to = 0;                    ///< seconds on the axis
        std::vector<std::vector<float>> samples;    ///< each channel's where less than kCloseSeconds are shown
        std::vector<std::pair<float, float>> wave;  ///< lowest and highest of each column, elsewhere
        std::vector<float> shortTerm;               ///< LUFS of the three seconds before each column; may be empty
        float loudest = 1;                          ///< amplitude of samples
    };
    const Found* found() const { return m_found ? &*m_found : nullptr; }
    bool busy() const { return m_newest.busy() || m_wait.isActive(); }
    bool outlined() const { return !m_outline.empty() && !m_tenths.empty(); }
    void setColumns(int columns) { m_columns = columns; }

signals:
    void changed();

private:
    void move();
    void read();
    void outline();
    void outlineLoudness();
    void showOutline();
    std::vector<float> loudnessBetween(double from, double to) const;
    const TimeAxis& m_axis;
    std::vector<std::filesystem::path> m_files;
    double m_begin = 0;
    int m_columns = 1000;
    std::optional<Found> m_found;
    std::vector<std::pair<float, float>> m_outline;  ///< lowest and highest of each column of the whole
    double m_outlineColumn = 0;                      ///< seconds
    std::vector<float> m_tenths;                     ///< short-term loudness at each tenth of a second of the whole
    QTimer m_wait;
    NewestJob m_newest, m_outlining;  ///< last: gone first
};

}  // namespace rivlen
