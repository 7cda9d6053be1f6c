#include "app/document/Document.h"

#include <QFileInfo>
#include <algorithm>

#include "app/words/Say.h"
#include "core/media/MediaReader.h"

namespace rivlen {

Document::Document(Work& work, QObject* parent) : QObject(parent), m_work(work) {}

void Document::announce() { emit changed(); }

void Document::reset(Session session) {
    emit voided();
    m_history.reset(std::move(session));
    emit changed();
    emit filled();
    emit chosen();
}

void Document::adopt(const Session& session, const QString& step) {
    emit voided();
    m_history.reset({});
    m_history.edit(step.toStdString(), [&](Session& s) { s = session; });
    emit changed();
    emit filled();
    emit chosen();
}

void Document::saved(const std::string& name) {
    m_history.remember([&](Session& s) { s.name = name; });
    m_history.markSaved();
    emit changed();
}

void Document::add(const Reel& reel, const std::string& step, const std::string& gesture, bool choose) {
    choose = choose || session().reels.empty();
    m_history.edit(
        step,
        [&](Session& s) {
            s.reels.push_back(reel);
            if (choose) s.current = reel.id;
        },
        gesture);
    emit changed();
    emit added(reel.id);
    if (choose) emit chosen();
}

void Document::removeReels(const std::vector<std::string>& ids) {
    m_history.edit((ids.size() == 1 ? say("Remove reel") : say("Remove reels")).toStdString(), [&](Session& s) {
        std::erase_if(s.reels, [&](const Reel& r) { return std::find(ids.begin(), ids.end(), r.id) != ids.end(); });
        if (!s.reel(s.current)) s.current = s.reels.empty() ? "" : s.reels.front().id;
    });
    emit changed();
    emit chosen();
}

void Document::selectReel(const std::string& id) {
    if (session().current == id) return;
    m_history.remember([&](Session& s) { s.current = id; });
    emit changed();
    emit chosen();
}

void Document::replaceSource(const std::string& id, const QString& file, const std::function<void(Reel&)>& change) {
    try {
        const MediaReader probe(toPath(file));
    } catch (const Error& e) {
        return m_work.warn(QString::fromStdString(e.what()));
    }
    m_history.edit(say("Relink reel").toStdString(), [&](Session& s) {
        if (Reel* r = s.reel(id)) {
            r->source = toPath(QFileInfo(file).absoluteFilePath());
            if (change) change(*r);
        }
    });
    emit sourceReplaced(id);
    emit changed();
    emit chosen();
}

void Document::setStage(const std::string& stage) {
    m_history.remember([&](Session& s) { s.stage = stage; });
    emit changed();
}

void Document::editReel(const QString& step, const std::function<void(Reel&)>& change, const std::string& gesture) {
    m_history.edit(
        step.toStdString(),
        [&](Session& s) {
            if (Reel* r = s.reel(s.current)) change(*r);
        },
        gesture);
    emit edited();
    emit changed();
}

void Document::editReels(const QString& step, const std::vector<std::string>& ids,
                         const std::function<void(Reel&)>& change) {
    m_history.edit(step.toStdString(), [&](Session& s) {
        for (const auto& id : ids)
            if (Reel* r = s.reel(id)) change(*r);
    });
    emit edited();
    emit changed();
}

void Document::editSession(const QString& step, const std::function<void(Session&)>& change) {
    m_history.edit(step.toStdString(), change);
    emit edited();
    emit changed();
}

void Document::editDeliverables(const QString& step, const std::function<void(std::vector<Deliverable>&)>& change,
                                const std::string& gesture) {
    m_history.edit(
        step.toStdString(),
        [&](Session& s) {
            if (s.deliverables.empty()) s.deliverables = usualDeliverables();
            change(s.deliverables);
        },
        gesture);
    emit changed();
}

void Document::rememberReel(const std::function<void(Reel&)>& change) {
    m_history.remember([&](Session& s) {
        if (Reel* r = s.reel(s.current)) change(*r);
    });
    emit changed();
}

void Document::undo() {
    m_history.undo();
    afterHistory();
}

void Document::redo() {
    m_history.redo();
    afterHistory();
}

void Document::afterHistory() {
    emit edited();
    emit changed();
    emit chosen();
    emit travelled();
}

}  // namespace rivlen
