#pragma once
#include "core/separation/NetworkCard.h"

namespace rivlen {

/// The folder of shipped networks: $RIVLEN_NETWORKS, or beside the program, installed or in its build folder.
std::filesystem::path networksFolder();

/// The folder of the networks that the user has installed: $XDG_DATA_HOME/rivlen/networks or
/// ~/.local/share/rivlen/networks.
std::filesystem::path ownNetworksFolder();

/// The cards in a folder that can be read, the recommended one first.
std::vector<NetworkCard> listNetworks(const std::filesystem::path& folder);

/// Shipped networks first, then the installed ones.
std::vector<NetworkCard> listNetworks();
/// Those of them that separate recordings; the others take a stem further apart.
std::vector<NetworkCard> reelNetworks();

/// The card with this id, or the first of reelNetworks() when id is empty. Throws Error (Usage) that names the known
/// ones.
NetworkCard findNetwork(const std::string& id);

/// The network that works at a quality ("quick" or "fine"): the card itself, or for quick the one that it names.
NetworkCard forQuality(const NetworkCard& card, const std::string& quality);

/// True for a network that came with Rivlen: it cannot be removed.
bool isShipped(const NetworkCard& card);

/// Copies a network (its card names the module beside it) into the user's folder, after checkNetwork() has passed it.
/// Throws Error (InputUnreadable) with the reason for refusing it, (OutputUnwritable), or (Usage) when its id is taken.
NetworkCard installNetwork(const std::filesystem::path& card);

/// Removes an installed network. Throws Error (Usage) for a shipped or unknown one.
void removeNetwork(const std::string& id);

}  // namespace rivlen
