#pragma once
#include <QColor>
#include <QPainter>

#include "app/rebuild/Ducking.h"
#include "app/rebuild/LaneCurves.h"
#include "app/rebuild/LaneWaves.h"
#include "app/rebuild/LanesLayout.h"
#include "app/rebuild/RebuildMix.h"

namespace rivlen {

/// Draws a lane of the rebuild: its caption, its clips with waveforms and fades, what ducks it and the curve that is
/// worked on.
class LanePainter {
public:
    LanePainter(const Reels& reels, RebuildMix& mix, const RebuildDesk& desk, const Ducking& ducking,
                const LaneCurves& curves, const LaneWaves& waves)
        : m_reels(reels), m_mix(mix), m_desk(desk), m_ducking(ducking), m_curves(curves), m_waves(waves) {}

    /// What is worked on at the moment, of the chosen lane's curve.
    struct Hand {
        int point = -1;
        const DrawnCurve* stroke = nullptr;  ///< being drawn by hand
    };
    void paintCaption(QPainter& p, const LanesLayout& layout, const LanesLayout::Row& row) const;
    void paintBody(QPainter& p, const LanesLayout& layout, const LanesLayout::Row& row, const Lane& lane,
                   const Hand& hand) const;

private:
    void paintClip(QPainter& p, const LanesLayout& layout, const QRectF& body, const Lane& lane,
                   const Clip& clip) const;
    void paintWave(QPainter& p, const LanesLayout& layout, const QRectF& body, const Clip& clip, const QColor& colour,
                   const DrawnCurve* duck) const;
    void paintDucking(QPainter& p, const LanesLayout& layout, const QRectF& body, const DrawnCurve& duck) const;
    void paintCurve(QPainter& p, const LanesLayout& layout, const QRectF& body, const Lane& lane,
                    const Hand& hand) const;
    float levelOf(const Clip& clip, double from, double to) const;  ///< RMS of what is loudest in between, 0 ... 1
    const Reels& m_reels;
    RebuildMix& m_mix;
    const RebuildDesk& m_desk;
    const Ducking& m_ducking;
    const LaneCurves& m_curves;
    const LaneWaves& m_waves;
};

}  // namespace rivlen
