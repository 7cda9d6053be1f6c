#pragma once
#include "app/document/Document.h"
#include "app/hearing/Hearing.h"
#include "app/reels/Reels.h"

namespace rivlen {

/// Marks of the present reel: spans of which the user says what alone is heard in them; and those that Rivlen proposes
/// where the split was sure. One of both can be chosen, heard, moved, taken or given up.
class MarkDesk : public QObject {
    Q_OBJECT
public:
    MarkDesk(Document& document, Reels& reels, Hearing& hearing, Work& work, QObject* parent = nullptr);

    const std::vector<Mark>& marks() const;
    /// Empty until the reel is split; without those that were dismissed.
    const std::vector<Mark>& proposals() const { return m_proposals; }
    /// All marks, then all proposals; what is chosen counts in this list, -1 is none.
    size_t count() const { return marks().size() + m_proposals.size(); }
    const Mark& at(int place) const;
    bool proposed(int place) const { return place >= int(marks().size()); }
    int chosen() const { return m_chosen; }
    /// What the split left in the other stems there (leakDb()); nothing before the reel is split.
    std::optional<double> leak(int place) const;

    /// Says that the loop holds this stem alone.
    void add(const std::string& stem);
    void choose(int place);
    void step(int direction);
    void hear();      ///< loops the chosen one and plays it, without changing the reel's loop
    void accept();    ///< makes the chosen proposal a mark
    void takeAway();  ///< removes the chosen mark, or dismisses the chosen proposal
    /// Moves the ends of a mark; one gesture until endMove().
    void move(int place, double from, double to);
    void endMove() { m_document.endGesture(); }

signals:
    void changed();
    void taken();  ///< one was chosen or made

private:
    void follow();

    Document& m_document;
    Reels& m_reels;
    Hearing& m_hearing;
    Work& m_work;
    std::vector<Mark> m_found, m_proposals;  ///< in the stems; of these, those that were not dismissed
    std::string m_reel;
    /// What m_found was looked for in: looking takes milliseconds in a long reel.
    std::pair<std::shared_ptr<StemStore>, std::vector<Mark>> m_looked;
    int m_chosen = -1;
};

}  // namespace rivlen
