#include "app/split/InstalledNetworks.h"

#include "app/words/Say.h"
#include "core/base/Error.h"
#include "core/separation/NetworkLibrary.h"

namespace rivlen {

InstalledNetworks::InstalledNetworks(Work& work, QObject* parent) : QObject(parent), m_work(work) {}

void InstalledNetworks::install(const QString& card) {
    const auto installed = std::make_shared<std::string>();
    m_work.submit(
        Work::Queue::Reading, say("Checking a network"),
        [card, installed](Progress&, const Work::Post&) { *installed = installNetwork(card.toStdString()).name; },
        [this, installed](const JobQueue::Outcome& o) {
            if (o.done)
                m_work.report(
                    say("The network %1 passed its check and is installed.").arg(QString::fromStdString(*installed)));
            emit changed();
        });
}

void InstalledNetworks::remove(const std::string& id) {
    try {
        removeNetwork(id);
        m_work.report(say("The network %1 is removed; stems made with it stay.").arg(QString::fromStdString(id)));
    } catch (const Error& e) {
        m_work.warn(QString::fromStdString(e.what()));
    }
    emit changed();
}

}  // namespace rivlen
