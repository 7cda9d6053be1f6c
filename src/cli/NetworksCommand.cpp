#include <CLI/CLI.hpp>
#include <cstdio>

#include "cli/Commands.h"
#include "cli/Output.h"
#include "core/base/Error.h"
#include "core/separation/NetworkCheck.h"
#include "core/separation/NetworkLibrary.h"

namespace rivlen {

namespace {

void list(bool json) {
    const auto cards = listNetworks();
    if (json) {
        nlohmann::json all = nlohmann::json::array();
        for (const auto& card : cards) {
            all.push_back(card.all);
            all.back()["shipped"] = isShipped(card);
        }
        printJson(nlohmann::json{{"networks", all}});
        return;
    }
    for (const auto& card : cards) {
        std::string stems;
        for (const auto& s : card.stems) stems += (stems.empty() ? "" : ", ") + s;
        std::printf("%s  %s%s\n    %s\n    stems: %s; %d Hz; %s\n", card.id.c_str(), card.name.c_str(),
                    isShipped(card) ? "" : " (installed)", card.purpose.c_str(), stems.c_str(), card.sampleRate,
                    card.licence.c_str());
    }
    if (cards.empty()) findNetwork("");  // says what is wrong
}

void check(const std::string& file, bool json) {
    const NetworkFacts facts = checkNetwork(NetworkCard::load(file));
    if (json) {
        nlohmann::json found = toJson(facts);
        found["card"] = file;
        printJson(found);
    }
    if (!facts.passed)
        throw Error(Error::Kind::InputUnreadable, "The network \"" + file + "\" is refused: " + facts.reason);
    if (!json)
        std::printf(
            "passed: %.1fx real time in one pass; the stems sum to the input within %.0f dB at any level, which "
            "changes "
            "them by %.0f dB; depends on %.2f s on each side; confined by %s\n",
            facts.realTimeFactor, facts.sumErrorDb, facts.levelErrorDb, facts.contextNeeded, facts.confinedBy.c_str());
}

}  // namespace

void addNetworks(CLI::App& program) {
    auto* command = program.add_subcommand(
        "networks", "Lists the installed networks with what they are for; checks, installs and removes them.");
    auto json = std::make_shared<bool>(false);
    auto name = std::make_shared<std::string>();
    command->add_flag("--json", *json, "Print one JSON document: the whole cards, or what the check found.");
    command->require_subcommand(0, 1);
    auto* tried = command->add_subcommand("check", "Tries a network in a process of its own.");
    tried->add_option("CARD", *name, "The network's card, a JSON file; docs/formats.md describes it.")->required();
    tried->add_flag("--json", *json, "Print one JSON document.");
    auto* added = command->add_subcommand("install", "Checks a network and copies it to the user's networks.");
    added->add_option("CARD", *name, "The network's card, a JSON file.")->required();
    auto* gone = command->add_subcommand("remove", "Removes an installed network.");
    gone->add_option("ID", *name, "Its id, see `rivlen-cli networks`.")->required();
    command->callback([=] {
        if (tried->parsed()) return check(*name, *json);
        if (added->parsed()) {
            const NetworkCard card = installNetwork(*name);
            std::printf("installed: %s (%s), licence %s\n", card.id.c_str(), card.name.c_str(), card.licence.c_str());
        } else if (gone->parsed()) {
            removeNetwork(*name);
            std::printf("removed: %s\n", name->c_str());
        } else {
            list(*json);
        }
    });
}

}  // namespace rivlen
