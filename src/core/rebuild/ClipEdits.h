#pragma once
#include <optional>
#include <string>
#include <vector>

#include "core/rebuild/Rebuild.h"

// What is done to clips. All functions leave alone what they do not find; times are seconds of the axis.
namespace rivlen {

/// Cuts a clip in two; the second half's id, or empty when the place is not inside it.
std::string cutClip(Rebuild& rebuild, const std::string& clip, double at);
/// Cuts all clips of a lane that lie over a place.
void splitLane(Rebuild& rebuild, const std::string& lane, double at);
/// To another place, and to another lane when one is given.
void moveClip(Rebuild& rebuild, const std::string& clip, double at, const std::string& lane = {});
/// Moves a border; what it holds stays where it is in time.
void trimClip(Rebuild& rebuild, const std::string& clip, bool begin, double to);
/// Moves what a clip holds under its borders by so many seconds (positive: earlier material comes).
void slipClip(Rebuild& rebuild, const std::string& clip, double by);
void fadeClip(Rebuild& rebuild, const std::string& clip, bool in, double seconds, FadeShape shape);
/// Fades a clip into the next one on its lane where they touch or overlap: both are drawn out by half the length over
/// the border. False when there is no neighbour, or nothing to draw out.
bool crossFade(Rebuild& rebuild, const std::string& clip, double seconds, FadeShape shape);
/// A copy; its id.
std::string copyClip(Rebuild& rebuild, const std::string& clip, double at, const std::string& lane = {});
void removeClip(Rebuild& rebuild, const std::string& clip);

/// Keeps a clip as it is beside itself: a muted copy on the lane below, which is made for it, marked as before; the
/// clip is marked as after. The copy's id.
std::string keepBefore(Rebuild& rebuild, const std::string& clip);
/// Hears the other one of a before and its after.
void swapPair(Rebuild& rebuild, const std::string& clip);

/// Takes a span out of a lane, with fades of so many seconds at its borders. True when anything was there.
bool clearSpan(Rebuild& rebuild, const std::string& lane, double from, double to, double fade);
/// Takes a span out of the time of all lanes: what comes after moves up. Automation and markers move along.
void removeTime(Rebuild& rebuild, double from, double to);

/// A new lane below another one (empty: at the end); its id.
std::string addLane(Rebuild& rebuild, const std::string& name, const std::string& below = {});

/// Lays a take, which is a sound that begins at a second of the axis, on a lane from there to there, behind short
/// fades. Clips that are heard there on the lane are cut at its borders and muted: earlier takes stay, and can be heard
/// again. The clip's id.
std::string layTake(Rebuild& rebuild, const std::string& lane, const std::string& sound, double begins, double from,
                    double to);

/// The nearest of borders of clips (but those of one), markers and other points within reach, else the place itself.
double snapped(const Rebuild& rebuild, double at, double reach, const std::vector<double>& points,
               const std::string& butClip = {});

}  // namespace rivlen
