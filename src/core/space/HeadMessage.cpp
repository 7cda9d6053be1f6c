#include "core/space/HeadMessage.h"

#include <lo/lo.h>

#include <cmath>
#include <cstdlib>
#include <memory>

namespace rivlen {

namespace {
using Message = std::unique_ptr<void, void (*)(lo_message)>;
}

std::optional<double> yawOfMessage(const std::string& bytes) {
    // An address, a comma, and all in fours: anything else is not given to the reader.
    if (bytes.size() < 16 || bytes.size() > 1024 || bytes.size() % 4 != 0 ||
        bytes.compare(0, std::char_traits<char>::length(kHeadAddress) + 1, kHeadAddress,
                      std::char_traits<char>::length(kHeadAddress) + 1) != 0)
        return {};
    std::string copy = bytes;
    int problem = 0;
    const Message message(lo_message_deserialise(copy.data(), copy.size(), &problem), lo_message_free);
    if (!message || lo_message_get_argc(message.get()) < 1 || lo_message_get_types(message.get())[0] != 'f') return {};
    const double yaw = double(lo_message_get_argv(message.get())[0]->f);
    if (!std::isfinite(yaw)) return {};
    return std::remainder(yaw, 360.0);
}

std::string messageOfYaw(double degrees) {
    const Message message(lo_message_new(), lo_message_free);
    lo_message_add_float(message.get(), float(degrees));
    size_t size = 0;
    void* bytes = lo_message_serialise(message.get(), kHeadAddress, nullptr, &size);
    const std::string out(static_cast<const char*>(bytes), size);
    std::free(bytes);
    return out;
}

bool sendYaw(int port, double degrees) {
    const std::unique_ptr<void, void (*)(lo_address)> to(lo_address_new("127.0.0.1", std::to_string(port).c_str()),
                                                         lo_address_free);
    return to && lo_send(to.get(), kHeadAddress, "f", degrees) >= 0;
}

}  // namespace rivlen
