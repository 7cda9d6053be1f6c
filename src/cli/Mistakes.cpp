#include "cli/Mistakes.h"

#include <cmath>
#include <cstdlib>
#include <filesystem>

#include "core/base/Text.h"

namespace rivlen {

namespace {

bool contains(const std::string& text, const char* part) { return text.find(part) != std::string::npos; }

/// What stands before a word, or the whole.
std::string before(const std::string& text, const char* word) { return text.substr(0, text.find(word)); }

std::string after(const std::string& text, const std::string& word) {
    const size_t at = text.find(word);
    return at == std::string::npos ? text : text.substr(at + word.size());
}

/// The mistake without where help is.
std::string told(const CLI::ParseError& e) {
    const std::string text = e.what(), name = before(text, ":");
    if (dynamic_cast<const CLI::RequiredError*>(&e))
        return contains(text, "subcommand") ? "No command is given" : before(text, " is required") + " is missing";
    if (dynamic_cast<const CLI::ArgumentMismatch*>(&e)) {
        if (contains(text, "missing") || contains(text, "At least")) return name + " has no value";
        if (contains(text, "At Most")) return name + " is given more than once";
        return "An option has more or fewer values than it takes";
    }
    if (dynamic_cast<const CLI::ExtrasError*>(&e)) return "\"" + after(text, "not expected: ") + "\" is not known here";
    if (dynamic_cast<const CLI::ValidationError*>(&e)) return text;  // "--option: " and words of the validators below
    if (dynamic_cast<const CLI::ConversionError*>(&e)) {
        const std::string pair = after(text, "Could not convert: ");
        if (contains(pair, " = ")) return before(pair, " = ") + " does not take \"" + after(pair, " = ") + "\"";
        return name + " takes no value";
    }
    if (contains(text, " excludes "))
        return before(text, " excludes ") + " and " + after(text, " excludes ") + " cannot be given together";
    if (contains(text, " requires "))
        return before(text, " requires ") + " is of use with " + after(text, " requires ") + " only";
    return "The options cannot be understood";
}

}  // namespace

std::string mistakeIn(const CLI::App& program, const CLI::ParseError& e, int argc, char** argv) {
    std::string known;
    const CLI::App* given = nullptr;
    for (const auto* c : program.get_subcommands([](const CLI::App*) { return true; })) {
        if (!c->get_group().empty()) known += (known.empty() ? "" : ", ") + c->get_name();  // what is not for people
        if (argc > 1 && c->get_name() == argv[1]) given = c;
    }
    if (argc < 2) return "No command is given: " + known + " are known; rivlen-cli --help tells more.";
    if (!given && argv[1][0] != '-') return "\"" + std::string(argv[1]) + "\" is no command: " + known + " are known.";
    std::error_code ignored;
    for (int i = 2; i < argc; ++i)
        if (argv[i][0] == '-' && std::filesystem::exists(argv[i], ignored))
            return "\"" + std::string(argv[i]) + "\" begins like an option: write ./" + argv[i] + " for the file.";
    return told(e) + ": see rivlen-cli " + (given ? given->get_name() + " " : "") + "--help.";
}

CLI::Validator oneOf(std::vector<std::string> words) {
    std::string list;
    for (size_t i = 0; i < words.size(); ++i) list += (i == 0 ? "" : i + 1 == words.size() ? " or " : ", ") + words[i];
    return {[words = std::move(words), list](const std::string& given) {
                for (const auto& word : words)
                    if (given == word) return std::string();
                return "\"" + given + "\" is not known, it takes " + list;
            },
            list};
}

CLI::Validator between(double least, double most) {
    return {[least, most](const std::string& given) {
                char* end = nullptr;
                const double value = std::strtod(given.c_str(), &end);
                if (end != given.c_str() && *end == 0 && value >= least && value <= most) return std::string();
                return "\"" + given + "\" is not a number from " + formatted("%g to %g", least, most);
            },
            formatted("%g to %g", least, most)};
}

}  // namespace rivlen
