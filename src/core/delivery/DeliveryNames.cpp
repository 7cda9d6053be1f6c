#include <algorithm>
#include <ctime>

#include "core/base/Error.h"
#include "core/base/Text.h"
#include "core/delivery/Deliverable.h"

namespace rivlen {

const std::vector<std::pair<const char*, const char*>>& fileNameTokens() {
    static const std::vector<std::pair<const char*, const char*>> tokens = {
        {"session", "the session's name"},
        {"reel", "the reel's name"},
        {"name", "the deliverable's name"},
        {"holds", "what it holds"},
        {"loudness", "the loudness it is brought to, or \"as is\""},
        {"date", "today, as 2026-11-25"},
    };
    return tokens;
}

std::string deliveryFileName(const Deliverable& d, const std::string& session, const std::string& reel) {
    std::string out;
    for (size_t i = 0; i < d.fileName.size(); ++i) {
        if (d.fileName[i] != '{') {
            out += d.fileName[i];
            continue;
        }
        const size_t end = d.fileName.find('}', i);
        const std::string token = d.fileName.substr(i + 1, end == std::string::npos ? std::string::npos : end - i - 1);
        if (end == std::string::npos)
            throw Error(Error::Kind::Usage, "The name \"" + d.fileName + "\" opens a brace that it does not close.");
        i = end;
        if (token == "session") out += session;
        else if (token == "reel") out += reel;
        else if (token == "name") out += d.name;
        else if (token == "holds") out += d.holds;
        else if (token == "loudness") {
            out += d.loudness ? formatted("%.0f LUFS", *d.loudness) : std::string("as is");
        } else if (token == "date") {
            const std::time_t now = std::time(nullptr);
            char text[24];
            std::strftime(text, sizeof text, "%Y-%m-%d", std::localtime(&now));
            out += text;
        } else {
            throw Error(Error::Kind::Usage,
                        "The name \"" + d.fileName + "\" uses {" + token + "}, which does not stand for anything.");
        }
    }
    for (char& c : out)
        if (std::string("/\\:*?\"<>|").find(c) != std::string::npos || static_cast<unsigned char>(c) < 32) c = '-';
    while (!out.empty() && (out.front() == '.' || out.front() == ' ')) out.erase(out.begin());
    while (!out.empty() && (out.back() == '.' || out.back() == ' ')) out.pop_back();
    if (out.empty())
        throw Error(Error::Kind::Usage,
                    "The name pattern of \"" + d.name + "\" makes an empty name: give it some text or a token.");
    return out + "." + storageFacts(d.storage).ending;
}

std::vector<std::string> deliveryFileNames(const Deliverable& d, const std::string& session, const std::string& reel,
                                           const std::vector<std::string>& own) {
    const std::string whole = deliveryFileName(d, session, reel);
    const auto channels = d.layout == ChannelLayout::Own ? own : channelNames(d.layout, layoutFacts(d.layout).channels);
    if (!d.monoFiles || channels.size() < 2 || storageFacts(d.storage).picture || d.storage == Storage::Adm)
        return {whole};
    const size_t dot = whole.rfind('.');
    std::vector<std::string> all;
    for (const auto& channel : channels) all.push_back(whole.substr(0, dot) + "." + channel + whole.substr(dot));
    return all;
}

}  // namespace rivlen
