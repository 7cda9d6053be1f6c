#include "cli/StrengthOptions.h"

#include <CLI/CLI.hpp>
#include <cmath>

#include "core/base/Error.h"
#include "core/media/Timecode.h"

namespace rivlen {

void StrengthOptions::addTo(CLI::App& command) {
    for (const auto& p : isolationParameters()) {
        if (!*p.flag) continue;
        command.add_option_function<std::string>(
            p.flag, [this, flag = p.flag](const std::string& text) { m_given[flag] = text; }, p.explanation);
    }
    command.add_option("--band-bias", m_bandBias, kBandBiasExplanation);
}

IsolationSettings StrengthOptions::settings() const {
    IsolationSettings settings;
    for (const auto& p : isolationParameters())
        if (const auto given = m_given.find(p.flag); given != m_given.end())
            settings.*p.value = parseValue(p, given->second);
    if (!m_bandBias.empty()) settings.bandBias = parseBandBias(m_bandBias);
    return settings;
}

void SpanOptions::addTo(CLI::App& command) {
    command.add_option("--from", from, "Start: seconds or timecode.");
    command.add_option("--to", to, "End: seconds or timecode.");
}

void SpanOptions::check() const {
    for (const auto& text : {from, to})
        if (!text.empty()) parseTime(text);
}

std::pair<int64_t, int64_t> SpanOptions::frames(const MediaReader& reader, const std::string& file) const {
    const double fps = reader.info().picture && reader.info().picture->fps > 0 ? reader.info().picture->fps : 25.0;
    const auto frameAt = [&](const std::string& text, int64_t otherwise) {
        return text.empty()
                   ? otherwise
                   : std::min<int64_t>(std::llround(parseTime(text, fps) * reader.sampleRate()), reader.frames());
    };
    const std::pair span(frameAt(from, 0), frameAt(to, reader.frames()));
    if (span.first >= span.second)
        throw Error(Error::Kind::Usage, "The span asked for in \"" + file +
                                            "\" is empty: --from must lie before --to and before the end (" +
                                            formatTime(reader.info().duration()) + ").");
    return span;
}

}  // namespace rivlen
