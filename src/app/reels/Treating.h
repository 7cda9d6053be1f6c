#pragma once
#include <QTimer>

#include "app/reels/Reels.h"

namespace rivlen {

/// Keeps what treatments make of a reel, or of its stems, up to date in the background.
class Treating : public QObject {
    Q_OBJECT
public:
    Treating(Document& document, Reels& reels, Work& work, QObject* parent = nullptr);

    /// Runs a reel's treatments over the whole of it in the background, when that was not done before.
    void treat(const std::string& id);
    /// Gives treatments to reels, in one step.
    void treatmentsToReels(const std::map<std::string, std::vector<Treatment>>& treatments);
    /// The current reel is what is heard from now on: its treatments are followed.
    void begin();

signals:
    void chainChanged(const std::string& id);  ///< what its stems were made of is no longer what its treatments make
    void treated(const std::string& id);

private:
    void follow();
    void treatStems(const Reel& reel);
    void ended(const std::string& id, const JobQueue::Outcome& outcome);

    Document& m_document;
    Reels& m_reels;
    Work& m_work;
    QTimer m_wait;
    std::string m_followed;               ///< id of the reel that is followed
    std::vector<Treatment> m_treatments;  ///< that what is heard has behind it
    std::map<std::string, int> m_jobs;    ///< by reel
};

}  // namespace rivlen
