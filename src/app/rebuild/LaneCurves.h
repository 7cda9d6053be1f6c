#pragma once
#include "app/rebuild/CurveRange.h"
#include "app/rebuild/EffectDesk.h"
#include "app/rebuild/RebuildDesk.h"
#include "core/rebuild/Automation.h"

namespace rivlen {

/// What moves over time of the chosen strip: one parameter's curve is shown and worked on.
class LaneCurves {
public:
    LaneCurves(const Document& document, RebuildDesk& desk, EffectDesk& effects)
        : m_document(document), m_desk(desk), m_effects(effects) {}
    /// Id in stripParameters(), of an effect's control (effectCurve()), or empty.
    const std::string& shown() const { return m_shown; }
    /// What is shown, of a strip. One without that effect has a range of nothing.
    CurveRange range(const Strip& strip) const;
    QString nameOf(const std::string& curve) const;  ///< of the chosen strip
    void show(const std::string& id);
    const DrawnCurve* of(const Strip& strip) const;  ///< null: it stands still
    void set(DrawnCurve curve, const std::string& gesture = "");
    void trim(double by);  ///< in the loop
    void copy();           ///< of the loop
    void paste();          ///< at the playhead
    void thin();

private:
    const Document& m_document;
    RebuildDesk& m_desk;
    EffectDesk& m_effects;
    CurveRange rangeOf(const Strip& strip, const std::string& curve) const;
    std::string m_shown;
    std::optional<DrawnCurve> m_copied;  ///< with its span in front, so that the document may change meanwhile
};

}  // namespace rivlen
