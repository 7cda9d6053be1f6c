#include "app/rebuild/LaneNames.h"

#include "app/words/Say.h"

namespace rivlen {

QString laneName(const Rebuild& rebuild, const std::string& id) {
    if (id == "mix") return say("Mix");
    if (const Group* g = rebuild.group(id)) return say(g->name.c_str());
    const Lane* l = rebuild.lane(id);
    return l ? say(l->name.c_str()) : QString();
}

QString clipName(const Rebuild& rebuild, const Clip& c) {
    if (!c.name.empty()) return QString::fromStdString(c.name);
    if (const Sound* s = rebuild.sound(c.material)) return QString::fromStdString(s->name);
    if (const Tone* t = rebuild.tone(c.material)) return say(t->name.c_str());
    QString plain = QString::fromStdString(c.material);
    if (!plain.isEmpty()) plain[0] = plain[0].toUpper();
    return say(plain.toUtf8().constData());
}

}  // namespace rivlen
