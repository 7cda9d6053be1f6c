#pragma once
#include <CLI/CLI.hpp>
#include <string>
#include <vector>

namespace rivlen {

/// One sentence for a command line that cannot be understood: what is wrong with it, and where help is. The library
/// tells which mistake it was; the words are ours.
std::string mistakeIn(const CLI::App& program, const CLI::ParseError& e, int argc, char** argv);

/// For options that take one of a few words.
CLI::Validator oneOf(std::vector<std::string> words);

/// For options that take a number of a range.
CLI::Validator between(double least, double most);

}  // namespace rivlen
