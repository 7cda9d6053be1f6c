#pragma once
#include <QColor>
#include <QPainter>
#include <span>

namespace rivlen {

inline constexpr double kCloseSeconds = 4;  ///< pictures that show less than this show waveforms
inline constexpr double kDotPixels = 5;     ///< where a sample has this width it gets a dot

/// One channel's samples over the width of lane; loudest is the amplitude at its full height. With many samples to a
/// column from the lowest to the highest, with few a line, with fewer a dot for each.
void paintSamples(QPainter& painter, std::span<const float> samples, const QRectF& lane, float loudest,
                  const QColor& colour);
/// Says at the right end of the top what the full height is, in dBFS.
void paintFullHeight(QPainter& painter, double right, double top, float loudest);

}  // namespace rivlen
