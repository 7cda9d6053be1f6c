#include "core/separation/NetworkCard.h"

#include <algorithm>
#include <fstream>

#include "core/base/Error.h"
#include "core/base/Json.h"
#include "core/base/JsonReason.h"

namespace rivlen {

namespace fs = std::filesystem;
using nlohmann::json;

NetworkCard NetworkCard::load(const fs::path& path) {
    const auto refuse = [&path](const std::string& why) {
        return Error(Error::Kind::InputUnreadable, "The network card \"" + path.string() + "\" " + why);
    };
    std::ifstream in(path);
    if (!in) throw refuse("cannot be read: check that it is there.");
    NetworkCard card;
    card.path = path;
    try {
        card.all = parsedJson(in);
        if (card.all.at("format") != "rivlen-network") throw refuse("is not a network card.");
        if (card.all.at("version").get<int>() > 1)
            throw refuse("was made for a newer Rivlen: update Rivlen to use it.");
        card.id = card.all.at("id");
        card.name = card.all.at("name");
        card.purpose = card.all.at("purpose");
        card.licence = card.all.at("licence");
        card.date = card.all.at("date");
        card.sha256 = card.all.value("sha256", "");
        card.stems = card.all.at("stems").get<std::vector<std::string>>();
        for (const auto& stem : card.stems) {
            const std::string row = card.all.contains("shown") ? card.all["shown"].value(stem, stem) : stem;
            const auto known = std::find(card.shown.begin(), card.shown.end(), row);
            card.shownRow.push_back(size_t(known - card.shown.begin()));
            if (known == card.shown.end()) card.shown.push_back(row);
        }
        card.quick = card.all.value("quick", "");
        card.of = card.all.value("of", "");
        if (card.all.contains("channels")) {
            const auto channels = card.all["channels"].get<std::vector<int>>();
            card.stereo = std::find(channels.begin(), channels.end(), 2) != channels.end();
            card.mono = std::find(channels.begin(), channels.end(), 1) != channels.end();
        }
        card.sampleRate = card.all.at("sample_rate");
        card.context = card.all.at("context_samples");
        card.grid = card.all.value("grid_samples", int64_t(1));
        card.minimum = card.all.value("minimum_samples", int64_t(1));
        card.fineRates = card.all.value("fine_rates", card.fineRates);
        card.quickRates = card.all.value("quick_rates", card.quickRates);
        const fs::path file = card.all.at("file").get<std::string>();
        if (file.has_parent_path()) throw refuse("names a network outside its own folder; this is not allowed.");
        card.file = path.parent_path() / file;
    } catch (const json::exception& e) {
        throw refuse("is incomplete or damaged: " + jsonReason(e) + ".");
    }
    const auto badName = [](const std::string& name) {
        return name.empty() || name.size() > 40 ||
               name.find_first_not_of("abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ0123456789-_") !=
                   std::string::npos;
    };
    if (badName(card.id) || std::any_of(card.stems.begin(), card.stems.end(), badName) ||
        std::any_of(card.shown.begin(), card.shown.end(), badName))
        throw refuse("has an id or a stem name that cannot be a file name: use letters, digits, - and _.");
    if (!card.mono && !card.stereo) throw refuse("takes neither mono nor stereo: \"channels\" must list 1, 2 or both.");
    if (card.stems.size() < 2 || card.stems.size() > 16 || card.shown.size() < 2 || card.sampleRate < 8000 ||
        card.sampleRate > 192000 || card.grid < 1 || card.context < 0 || card.minimum < 1 ||
        std::max({card.grid, card.context, card.minimum}) > int64_t(card.sampleRate) * 600)
        throw refuse(
            "gives values that cannot be: 2 to 16 stems, a rate of 8000 to 192000 Hz, lengths that are not negative "
            "nor above ten minutes.");
    for (const auto& rates : {card.fineRates, card.quickRates})
        if (rates.size() > 8 || std::any_of(rates.begin(), rates.end(), [&card](int rate) {
                return rate < card.sampleRate / 2 || rate > card.sampleRate * 2;
            }))
            throw refuse(
                "gives \"fine_rates\" or \"quick_rates\" that cannot be: eight at most, from half to twice the "
                "\"sample_rate\".");
    card.context = (card.context + card.grid - 1) / card.grid * card.grid;
    return card;
}

}  // namespace rivlen
