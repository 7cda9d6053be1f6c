#include "JsonMutator.h"

#include <nlohmann/json.hpp>
#include <random>
#include <vector>

namespace rivlen::fuzz {

namespace {

using nlohmann::json;

class Mutation {
public:
    Mutation(json document, unsigned seed) : m_document(std::move(document)), m_random(seed) {}

    json made() {
        for (int left = 1 + below(4); left > 0; --left) {
            m_nodes.clear();
            collect(m_document);
            change(*m_nodes[size_t(below(int(m_nodes.size())))]);
        }
        return m_document;
    }

private:
    int below(int n) { return std::uniform_int_distribution<>(0, n - 1)(m_random); }

    void collect(json& node) {
        m_nodes.push_back(&node);
        if (node.is_structured())
            for (auto& child : node) collect(child);
    }

    json extreme() {
        static const std::vector<json> all{nullptr,
                                           true,
                                           false,
                                           0,
                                           -1,
                                           1,
                                           2147483648LL,
                                           -9223372036854775807LL - 1,
                                           18446744073709551615ULL,
                                           1e308,
                                           -1e308,
                                           1e-308,
                                           0.5,
                                           "",
                                           ".",
                                           "..",
                                           "../../x",
                                           "/dev/zero",
                                           "a\nb",
                                           "\xc3\xa4",
                                           std::string(300, 'x'),
                                           std::string(5000, '/'),
                                           json::array(),
                                           json::object(),
                                           json::array({nullptr}),
                                           json::array({1, 2}),
                                           json::array({2, 1}),
                                           {{"a", 1}},
                                           "NaN",
                                           "-0",
                                           "1e9"};
        return all[size_t(below(int(all.size())))];
    }

    void change(json& node) {
        switch (below(node.is_structured() && !node.empty() ? 8 : 4)) {
            case 0: node = extreme(); break;
            case 1: node = json(*m_nodes[size_t(below(int(m_nodes.size())))]); break;  // another part of the document
            case 2: nudge(node); break;
            case 3: node = below(2) ? json::array({node}) : json{{"value", node}}; break;
            case 4: take(node); break;
            case 5: twice(node); break;
            case 6: rename(node); break;
            default: add(node); break;
        }
    }

    void nudge(json& node) {
        if (node.is_number_integer()) node = int64_t(uint64_t(node.get<int64_t>()) + uint64_t(below(5)) - 2);
        else if (node.is_number()) node = node.get<double>() * (below(2) ? -1 : 1 + 1e-3 * below(2000));
        else if (node.is_string()) {
            auto& text = node.get_ref<std::string&>();
            if (text.empty() || below(3) == 0) text += char('!' + below(90));
            else text[size_t(below(int(text.size())))] = char(' ' + below(95));
        } else if (node.is_boolean()) node = !node.get<bool>();
        else node = extreme();
    }

    json::iterator any(json& node) {
        auto at = node.begin();
        std::advance(at, below(int(node.size())));
        return at;
    }

    void take(json& node) { node.erase(any(node)); }

    void twice(json& node) {
        const json copy = *any(node);
        if (node.is_array()) {
            for (int i = below(below(20) ? 3 : 300); i >= 0; --i) node.push_back(copy);
        } else {
            node[any(node).key() + "2"] = copy;
        }
    }

    void rename(json& node) {
        if (node.is_array()) return std::swap(*any(node), *any(node));
        const std::string from = any(node).key();
        std::string to = from + "x";
        // Names of the same document, where they belong elsewhere.
        for (int tries = 0; tries < 5; ++tries)
            if (json& other = *m_nodes[size_t(below(int(m_nodes.size())))]; other.is_object() && !other.empty())
                to = any(other).key();
        json value = std::move(node[from]);
        node.erase(from);
        node[to] = std::move(value);
    }

    void add(json& node) {
        if (node.is_array()) node.push_back(extreme());
        else node[any(node).key()] = extreme();
    }

    json m_document;
    std::mt19937 m_random;
    std::vector<json*> m_nodes;
};

}  // namespace

std::string mutatedJson(const std::string& text, unsigned seed, size_t most) {
    json document = json::parse(text, nullptr, false);
    if (document.is_discarded()) return {};
    std::string result =
        Mutation(std::move(document), seed).made().dump(-1, ' ', false, json::error_handler_t::replace);
    return result.size() <= most ? result : std::string();
}

}  // namespace rivlen::fuzz
