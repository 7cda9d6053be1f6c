#pragma once
#include <array>

#include "app/words/Say.h"

namespace rivlen {

/// The ids of the stages, as sessions hold them.
namespace stage {
inline constexpr char intake[] = "intake", split[] = "split", weigh[] = "weigh", rebuild[] = "rebuild",
                      dispatch[] = "dispatch";
}  // namespace stage

/// A stage of the course, in the order of work.
struct Stage {
    const char *id, *name, *question;
};
inline constexpr std::array<Stage, 5> kStages{{
    {stage::intake, QT_TRID_NOOP("Intake"), QT_TRID_NOOP("What do I have, and what is wrong with it?")},
    {stage::split, QT_TRID_NOOP("Split"), QT_TRID_NOOP("Which network, which spans, how well did it go?")},
    {stage::weigh, QT_TRID_NOOP("Weigh"), QT_TRID_NOOP("How strong can isolation be before it hurts?")},
    {stage::rebuild, QT_TRID_NOOP("Rebuild"), QT_TRID_NOOP("What does the finished track sound like?")},
    {stage::dispatch, QT_TRID_NOOP("Dispatch"), QT_TRID_NOOP("What leaves the house, and does it conform?")},
}};

}  // namespace rivlen
