#pragma once
#include "app/reels/Splitting.h"
#include "core/separation/Parts.h"

namespace rivlen {

/// Takes stems of reels further apart in the background (core/separation/Parts.h), and finds what was made before.
class TakingApart : public QObject {
    Q_OBJECT
public:
    TakingApart(Document& document, Reels& reels, Splitting& splitting, Work& work, QObject* parent = nullptr);

    /// Whether the current reel's stem is to be taken apart: an edit, and the work begins where the stems are there.
    void setWanted(const std::string& stem, bool wanted);
    bool wanted(const std::string& stem) const;
    /// Begins what the current reel wants and has not got.
    void begin();
    void cancel();
    /// Of the current reel: the stem at work, or empty.
    std::string busyWith() const;

signals:
    void changed();

private:
    void attach(const std::string& id);
    void follow();  ///< begins what the present strength needs (of a part; Distractions, Place)

    Document& m_document;
    Reels& m_reels;
    Work& m_work;
    struct Job {
        int number = -1;
        std::string stem;
    };
    std::map<std::string, Job> m_jobs;  ///< by reel
    /// Reels, splits and stems whose parts a strength has asked for already.
    std::set<std::tuple<std::string, uint64_t, std::string>> m_given;
};

}  // namespace rivlen
