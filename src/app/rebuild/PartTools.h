#pragma once
#include "app/rebuild/RebuildDesk.h"
#include "app/reels/TakingApart.h"
#include "core/rebuild/PartBalance.h"

namespace rivlen {

/// Stems in their parts among the lanes.
class PartTools {
public:
    PartTools(const Document& document, TakingApart& parts, RebuildDesk& desk)
        : m_document(document), m_parts(parts), m_desk(desk) {}
    /// Each lane of the stem becomes a group with a lane for each part; the stem is taken apart where it is not yet.
    void lay(const std::string& stem);
    /// One step from a song to its instrumental: the music in parts, the vocals mute. Again: they are heard again.
    void instrumental();
    /// Of the whole reel, or over the loop where there is one.
    void balance(const PartBalance& balance);
    /// What the lanes have at the playhead, kept under a name.
    void keepBalance(const std::string& stem, const QString& name);
    /// The remix of another reel's rebuild, for this one.
    void takeFrom(const std::string& reelId, const std::string& stem);

private:
    void want(const std::string& stem);
    const Document& m_document;
    TakingApart& m_parts;
    RebuildDesk& m_desk;
};

/// Hides a group's lanes, or shows them again.
void foldGroup(RebuildDesk& desk, const std::string& group);

}  // namespace rivlen
