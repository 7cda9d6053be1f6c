#pragma once
#include "core/session/Session.h"

namespace rivlen {

/// Sessions come from anybody, and name files. Those beside a session, or below its folder, go with it; so do those in
/// folders that the user has worked with here. Any other is read only after the user said so.

/// The files that a session names and that nobody here has named yet: recordings and sounds. A symbolic link counts as
/// what it leads to. file: the session's own.
std::vector<std::filesystem::path> foreignFiles(const Session& session, const std::filesystem::path& file);

/// From now on, files in the folders of this session's are the user's own: kept in folders.json of the data folder (the
/// newest thousand). Where that cannot be written they are asked for again.
void rememberFolders(const Session& session);

/// Loads a session for a command. What lies below the folder that the command is run in counts as named by the user.
/// Throws Error (Usage) that names the first foreign file, unless they are allowed.
Session loadOwnSession(const std::filesystem::path& file, bool anywhere);

}  // namespace rivlen
