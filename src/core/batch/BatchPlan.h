#pragma once
#include <filesystem>
#include <nlohmann/json.hpp>
#include <string>
#include <vector>

namespace rivlen {

/// One command over many recordings and sessions.
struct BatchRequest {
    std::string command;                        ///< split, treat, clean, weigh or dispatch
    std::vector<std::filesystem::path> inputs;  ///< files, folders, sessions
    std::vector<std::string> options;           ///< of the command, as they stand
    std::filesystem::path out;
    double spanSeconds = 0;  ///< recordings that are much longer are cut into spans; 0: none is
};

/// A piece of it that is done, fails and is done again by itself: a recording, or a reel of a session.
struct BatchUnit {
    std::string id;               ///< unique in the batch, fit for a file's name
    std::filesystem::path input;  ///< absolute
    std::string reel;             ///< name; empty: a recording
    std::string command;
    std::vector<std::string> arguments;  ///< of the command
    std::filesystem::path folder;        ///< that it writes to
    std::string begins;                  ///< with this and a dot, what it writes there; empty: names of its own
    std::string key;  ///< the same for the same work on the same file: command, arguments, size and time of the input

    std::vector<BatchUnit> spans = {};  ///< done before, and put together by it
    std::string span = {};              ///< of a span: from when to when

    bool operator==(const BatchUnit&) const = default;
};

inline constexpr const char* kBatchFolder = ".rivlen-batch";  ///< in the output folder: what was done

/// Whether an option of this name is among the words, with its value behind it or as NAME=VALUE.
bool isGiven(const std::vector<std::string>& options, const std::string& name);

/// Whether batch takes a command.
bool isBatchCommand(const std::string& command);

/// The work, in the order of the inputs. What lies in a folder is written to a folder of the same name below `out`; a
/// session's recordings bring the network, quality and scene of their reels along, unless the options name others.
/// Throws Error (Usage, InputUnreadable): an input is not there, a folder holds nothing, two would write the same
/// files.
std::vector<BatchUnit> planBatch(const BatchRequest& request);

nlohmann::json toJson(const BatchUnit& unit);
BatchUnit batchUnitFrom(const nlohmann::json& json);  ///< throws nlohmann's exceptions

}  // namespace rivlen
