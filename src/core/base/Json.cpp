#include "core/base/Json.h"

namespace rivlen {

namespace {

using nlohmann::json;

constexpr int kMostLevels = 32;

/// Looks at a document without keeping it.
class Look : public json::json_sax_t {
public:
    bool null() override { return true; }
    bool boolean(bool) override { return true; }
    bool number_integer(json::number_integer_t) override { return true; }
    bool number_unsigned(json::number_unsigned_t) override { return true; }
    bool number_float(json::number_float_t v, const std::string&) override {
        if (!(std::fabs(v) <= kLargestNumber))
            throw json::out_of_range::create(406, "a number is out of range", nullptr);
        return true;
    }
    bool string(std::string&) override { return true; }
    bool binary(json::binary_t&) override { return true; }
    bool key(std::string&) override { return true; }
    bool start_object(std::size_t) override { return deeper(); }
    bool start_array(std::size_t) override { return deeper(); }
    bool end_object() override { return --m_level, true; }
    bool end_array() override { return --m_level, true; }
    bool parse_error(std::size_t, const std::string&, const json::exception&) override { return false; }

private:
    bool deeper() {
        if (++m_level > kMostLevels) throw json::out_of_range::create(408, "it is nested too deeply", nullptr);
        return true;
    }
    int m_level = 0;
};

}  // namespace

json parsedCbor(const std::vector<std::uint8_t>& bytes) {
    Look look;
    json::sax_parse(bytes, &look, json::input_format_t::cbor);
    return json::from_cbor(bytes);  // where it is broken, this says how
}

}  // namespace rivlen
