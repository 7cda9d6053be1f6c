#pragma once
#include <array>

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
    {stage::intake, "Intake", "What do I have, and what is wrong with it?"},
    {stage::split, "Split", "Which network, which spans, how well did it go?"},
    {stage::weigh, "Weigh", "How strong can isolation be before it hurts?"},
    {stage::rebuild, "Rebuild", "What does the finished track sound like?"},
    {stage::dispatch, "Dispatch", "What leaves the house, and does it conform?"},
}};

}  // namespace rivlen
