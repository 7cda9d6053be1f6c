#include "core/separation/NetworkCheck.h"

#include "core/base/Error.h"
#include "core/separation/NetworkModule.h"

namespace rivlen {

namespace {

using Outcome = NetworkProcess::Outcome;

NetworkFacts refused(const std::string& why) {
    NetworkFacts facts;
    facts.reason = why;
    return facts;
}

NetworkFacts factsFrom(const std::string& text, const NetworkLimits& limits) {
    try {
        const auto json = nlohmann::json::parse(text);
        NetworkFacts facts;
        facts.passed = json.at("passed");
        facts.reason = json.at("reason");
        facts.sumErrorDb = json.at("sum_error_db");
        facts.levelErrorDb = json.at("level_error_db");
        facts.contextNeeded = json.at("context_needed_seconds");
        facts.realTimeFactor = json.at("real_time_factor");
        facts.confinedBy = json.at("confined_by");
        return facts;
    } catch (const nlohmann::json::exception&) {
        return refused("it made the program that tried it end: the file is damaged, hostile, or needs more than " +
                       std::to_string(limits.bytes >> 30) + " GB.");
    }
}

}  // namespace

nlohmann::json toJson(const NetworkFacts& facts) {
    return {{"passed", facts.passed},
            {"reason", facts.reason},
            {"sum_error_db", facts.sumErrorDb},
            {"level_error_db", facts.levelErrorDb},
            {"context_needed_seconds", facts.contextNeeded},
            {"real_time_factor", facts.realTimeFactor},
            {"confined_by", facts.confinedBy}};
}

NetworkFacts checkNetwork(const NetworkCard& card, const NetworkLimits& limits) {
    try {
        moduleBytes(card);  // a missing or another file is told before anything is started
        NetworkProcess process(NetworkProcess::Task::Try, card, limits);
        const auto until = NetworkProcess::Clock::now() + std::chrono::seconds(limits.seconds);
        NetworkReply reply{};
        std::string text;
        Outcome outcome = process.read(&reply, sizeof reply, until);
        if (outcome == Outcome::Done) outcome = process.readText(reply, text, until);
        if (outcome == Outcome::Late)
            return refused("it did not answer within " + std::to_string(limits.seconds) +
                           " seconds for two minutes of sound.");
        return factsFrom(text, limits);
    } catch (const Error& e) {
        return refused(e.what());
    }
}

}  // namespace rivlen
