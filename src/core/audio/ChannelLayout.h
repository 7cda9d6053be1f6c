#pragma once
#include <string>
#include <vector>

namespace rivlen {

/// Short channel names in file order (ITU-R BS.775 / WAVE_FORMAT_EXTENSIBLE order): mono {"C"},
/// stereo {"L","R"}, 5.1 {"L","R","C","LFE","Ls","Rs"}; otherwise "1", "2", ...
std::vector<std::string> channelNames(int channels);

/// Which channels are separated together: stereo as a pair; 5.1 as L/R, C, LFE, Ls/Rs; any
/// other count in consecutive pairs with a single one left over.
std::vector<std::vector<int>> channelGroups(int channels);

}  // namespace rivlen
