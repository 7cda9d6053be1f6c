#include "app/dispatch/DeliverablesDesk.h"

#include <algorithm>

#include "app/words/Say.h"
#include "app/work/Tried.h"
#include "core/session/SessionDelivery.h"

namespace rivlen {

DeliverablesDesk::DeliverablesDesk(Document& document, Reels& reels, Work& work, QObject* parent)
    : QObject(parent), m_document(document), m_reels(reels), m_work(work) {
    connect(&document, &Document::changed, this, [this] {
        const int last = std::max(0, int(deliverables().size()) - 1);
        m_chosen = std::clamp(m_chosen, 0, last);
        std::erase_if(m_selected, [last](int i) { return i > last; });
        m_selected.insert(m_chosen);
        emit changed();
    });
    connect(&reels, &Reels::read, this, &DeliverablesDesk::changed);
}

const std::vector<Deliverable>& DeliverablesDesk::deliverables() const {
    const auto& own = m_document.session().deliverables;
    return own.empty() ? usualDeliverables() : own;
}

void DeliverablesDesk::choose(int index, std::set<int> selected) {
    selected.insert(index);
    if (m_chosen == index && m_selected == selected) return;
    m_chosen = index;
    m_selected = std::move(selected);
    emit changed();
}

void DeliverablesDesk::setAllReels(bool on) {
    m_allReels = on;
    emit changed();
}

void DeliverablesDesk::edit(const QString& name, const std::function<void(Deliverable&)>& change,
                            const std::string& gesture) {
    m_document.editDeliverables(
        name,
        [&](auto& all) {
            for (int i : m_selected)
                if (i >= 0 && i < int(all.size())) change(all[size_t(i)]);
        },
        gesture);
}

void DeliverablesDesk::editChosen(const QString& name, const std::function<void(Deliverable&)>& change) {
    m_document.editDeliverables(name, [&](auto& all) {
        if (m_chosen >= 0 && m_chosen < int(all.size())) change(all[size_t(m_chosen)]);
    });
}

void DeliverablesDesk::setOn(const std::set<int>& which, bool on) {
    m_document.editDeliverables(on ? say("Deliver") : say("Do not deliver"), [&](auto& all) {
        for (int i : which) all[size_t(i)].on = on;
    });
}

void DeliverablesDesk::tickSelected() {
    const auto& all = deliverables();
    const bool on = std::all_of(m_selected.begin(), m_selected.end(), [&](int i) { return all[size_t(i)].on; });
    setOn(m_selected, !on);
}

void DeliverablesDesk::add() {
    m_document.editDeliverables(say("Add deliverable"), [&](auto& all) {
        Deliverable d = m_chosen >= 0 && m_chosen < int(all.size()) ? all[size_t(m_chosen)] : Deliverable();
        int number = 1;
        const auto taken = [&](const std::string& name) {
            return std::any_of(all.begin(), all.end(), [&](const Deliverable& x) { return x.name == name; });
        };
        do d.name = "deliverable " + std::to_string(++number);
        while (taken(d.name));
        all.push_back(d);
        m_chosen = int(all.size()) - 1;
        m_selected = {m_chosen};
    });
}

void DeliverablesDesk::remove() {
    m_document.editDeliverables(say("Remove deliverable"), [&](auto& all) {
        if (all.size() > 1 && m_chosen >= 0 && m_chosen < int(all.size())) all.erase(all.begin() + m_chosen);
    });
}

void DeliverablesDesk::useSet(const DeliverySet& set) {
    m_document.editDeliverables(say("Use set ") + QString::fromStdString(set.name),
                                [&](auto& all) { all = set.deliverables; });
    choose(0);
}

void DeliverablesDesk::keepSet(const QString& name) {
    if (tried(m_work, [&] { saveOwnDeliverySet({name.trimmed().toStdString(), "", deliverables()}); }))
        m_work.report(say("The set \"%1\" is kept: it is among the sets from now on.").arg(name.trimmed()));
}

void DeliverablesDesk::readSet(const QString& file) {
    tried(m_work, [&] { useSet(readDeliverySet(toPath(file))); });
}

void DeliverablesDesk::writeSet(const QString& file) {
    if (tried(m_work, [&] { writeDeliverySet({m_document.session().name, "", deliverables()}, toPath(file)); }))
        m_work.report(say("The set is written to %1.").arg(file));
}

QString DeliverablesDesk::preview() const {
    if (m_chosen < 0 || m_chosen >= int(deliverables().size())) return {};
    Reel none;
    none.name = say("Reel").toStdString();
    return fileName(deliverables()[size_t(m_chosen)], m_document.reel() ? *m_document.reel() : none);
}

QString DeliverablesDesk::fileName(const Deliverable& d, const Reel& reel) const {
    try {
        const auto names = deliveryFileNames(d, m_document.session().name, reel.name, mixNamesOf(reel));
        const QString first = QString::fromStdString(names.front());
        return names.size() > 1 ? say("%1 and %2 more").arg(first).arg(names.size() - 1) : first;
    } catch (const Error& e) {
        return QString::fromStdString(e.what());
    }
}

bool DeliverablesDesk::hasPicture() const {
    const ReelFacts* s = m_document.reel() ? m_reels.current() : nullptr;
    return s && s->info && s->info->picture;
}

}  // namespace rivlen
