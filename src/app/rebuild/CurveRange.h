#pragma once
#include <QString>
#include <functional>

#include "core/rebuild/Rebuild.h"

namespace rivlen {

/// What a curve moves: its name, its range, and how a value is said.
struct CurveRange {
    std::string id;  ///< in stripParameters(), or of an effect's control (effectCurve())
    QString name;
    double minimum, maximum;
    double standing;  ///< without a curve
    double step;      ///< that points are drawn to
    std::function<QString(double)> describe;
};

/// Of one of a strip's own parameters.
CurveRange stripRange(const Strip& strip, const std::string& parameter);

}  // namespace rivlen
