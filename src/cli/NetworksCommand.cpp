#include <CLI/CLI.hpp>
#include <cstdio>

#include "cli/Commands.h"
#include "core/separation/NetworkCard.h"

namespace rivlen {

void addNetworks(CLI::App& program) {
    auto* command = program.add_subcommand("networks", "Lists the installed networks with what they are for.");
    auto json = std::make_shared<bool>(false);
    command->add_flag("--json", *json, "Print the whole cards as one JSON document.");
    command->callback([json] {
        const auto cards = listNetworks();
        if (*json) {
            nlohmann::json all = nlohmann::json::array();
            for (const auto& card : cards) all.push_back(card.all);
            std::printf("%s\n", nlohmann::json{{"networks", all}}.dump(1).c_str());
            return;
        }
        for (const auto& card : cards) {
            std::string stems;
            for (const auto& s : card.stems) stems += (stems.empty() ? "" : ", ") + s;
            std::printf("%s  %s\n    %s\n    stems: %s; %d Hz; %s\n", card.id.c_str(), card.name.c_str(), card.purpose.c_str(),
                        stems.c_str(), card.sampleRate, card.licence.c_str());
        }
        if (cards.empty()) findNetwork("");  // says what is wrong
    });
}

}  // namespace rivlen
