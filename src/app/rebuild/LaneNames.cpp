#include "app/rebuild/LaneNames.h"

namespace rivlen {

QString laneName(const Rebuild& rebuild, const std::string& id) {
    if (id == "mix") return "Mix";
    if (const Group* g = rebuild.group(id)) return QString::fromStdString(g->name);
    const Lane* l = rebuild.lane(id);
    return l ? QString::fromStdString(l->name) : QString();
}

QString clipName(const Rebuild& rebuild, const Clip& c) {
    if (!c.name.empty()) return QString::fromStdString(c.name);
    if (const Sound* s = rebuild.sound(c.material)) return QString::fromStdString(s->name);
    if (const Tone* t = rebuild.tone(c.material)) return QString::fromStdString(t->name);
    QString plain = QString::fromStdString(c.material);
    if (!plain.isEmpty()) plain[0] = plain[0].toUpper();
    return plain;
}

}  // namespace rivlen
