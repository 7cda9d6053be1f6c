#pragma once
#include <filesystem>

#include "core/rebuild/Materials.h"
#include "core/treatment/Treatment.h"

namespace rivlen {

/// What has to be known of a reel to work it through without a window.
struct ReelRecipe {
    std::string name;
    std::filesystem::path source;
    std::string network, quality;  ///< as in a session
    std::vector<Treatment> treatments;
    StrengthTimeline timeline;
    std::vector<Mend> mends;
    bool needsStems = true;               ///< false: what is delivered is made of the source and sounds alone
    bool tolerateDamage = false;          ///< silence stands where the source cannot be decoded; else that is an Error
    std::filesystem::path scene = {};     ///< as in a session
    std::vector<std::string> parts = {};  ///< stems that are taken further apart
    std::optional<std::vector<Finding>> findings =
        {};  ///< of the recording; nothing: it is diagnosed where that counts
};

/// True where prepareReel() finds all that it needs made already.
bool isPrepared(const ReelRecipe& recipe);

/// Brings a reel to where it can be rendered: its treatments are run, it is split, mended. What was made before is
/// taken from the cache folder, what was not is made and kept there, as the window does. Throws Error (Cancelled,
/// InputUnreadable, OutputUnwritable, Usage).
ReelMaterial prepareReel(const ReelRecipe& recipe, const Progress& progress);

}  // namespace rivlen
