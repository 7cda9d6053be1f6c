#pragma once
#include "core/delivery/DeliveryRender.h"

namespace rivlen {

/// Writes what was delivered beside it: PREFIX.json, PREFIX.csv and PREFIX.html (a page for the client: what each file is, its figures and its checks) and
/// PREFIX.sha256 (as sha256sum -c reads it).
/// Each appears completely or not at all; older ones of the same name are replaced. Throws Error (OutputUnwritable).
void writeDeliveryReport(const std::vector<DeliveryReport>& reports, const std::string& session, const std::filesystem::path& folder, const std::string& prefix = "delivery");

}  // namespace rivlen
