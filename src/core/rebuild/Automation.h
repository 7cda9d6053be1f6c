#pragma once
#include "core/isolation/StrengthTimeline.h"

// What is done to curves over time, whether they are of a lane or of a strength setting. Curves rise in time; all
// functions return another one.
namespace rivlen {

/// Puts points in the place of all that lie in their span, as when a curve is drawn by hand.
DrawnCurve drawnInto(const DrawnCurve& curve, DrawnCurve stroke);

/// Raises or lowers a span by delta, within bounds; outside nothing changes, at the borders it steps within 10 ms.
/// usual: the value where there is no curve yet.
DrawnCurve trimmed(const DrawnCurve& curve, double from, double to, double delta, double minimum, double maximum,
                   double usual);

/// What lies in a span, laid at another place over what is there.
DrawnCurve copiedTo(const DrawnCurve& curve, double from, double to, double at, double usual);

/// Takes points away as long as the curve stays within tolerance (Ramer, Douglas and Peucker, here by vertical
/// distance).
DrawnCurve thinned(const DrawnCurve& curve, double tolerance);

}  // namespace rivlen
