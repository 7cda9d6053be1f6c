#pragma once
#include <cstdlib>

#include "Places.h"
#include "core/effects/EffectProcess.h"

namespace rivlen::test {

/// The effects of tests/effects, and no others of this machine.
inline std::vector<EffectFacts> testEffects() {
    setenv("LV2_PATH", kEffectsFolder, 1);
    return installedEffects(true);
}

inline EffectFacts testEffect(const std::string& name) {
    for (const auto& f : testEffects())
        if (f.uri == "urn:rivlen-test:" + name) return f;
    return {};
}

inline EffectSlot testSlot(const std::string& name, const std::string& before = "limiter") {
    const EffectFacts facts = testEffect(name);
    return {"effect-" + name, facts.uri, facts.name, before, true, {}, {}};
}

}  // namespace rivlen::test
