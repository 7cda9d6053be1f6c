#pragma once
#include <QTimer>

#include "app/document/Document.h"
#include "app/hearing/Hearing.h"
#include "app/reels/Reels.h"
#include "app/work/OwnWork.h"

namespace rivlen {

/// What is done about the faults of the present reel: findings accepted or dismissed, the chain of treatments, what
/// each takes away and how that sounds. While an amount is looked for, the loop (or what is around the playhead) is
/// treated at once; the whole reel follows in the background.
class TreatmentDesk : public QObject {
    Q_OBJECT
public:
    explicit TreatmentDesk(Document& document, Reels& reels, Hearing& hearing, Work& work, QObject* parent = nullptr);

    // ---- findings ----
    enum class Verdict { Open, Accepted, Dismissed };
    /// All of the present reel that its content leaves in question, dismissed ones too; null while it is being looked
    /// through.
    std::optional<std::vector<Finding>> found() const;
    Verdict verdict(const Finding& finding) const;
    int chosenFault() const;  ///< index into found(), or -1
    void chooseFault(int fault);
    void hearFault(int fault);            ///< chooses it and plays it in a loop
    void stepFault(int direction);        ///< to the next one in time that is not dismissed, and plays it
    void accept(const Finding& finding);  ///< puts its treatment into the chain
    void acceptAll();                     ///< all that are not dismissed
    void dismiss(const Finding& finding, bool dismissed);
    void sayContent(const std::string& content);  ///< a contentName(), or empty: as found

    // ---- treatments ----
    const std::vector<Treatment>& chain() const;
    void add(const std::string& id);  ///< at its sensible place, with its usual amount
    void remove(size_t place);
    void move(size_t place, int by);
    void putInOrder();  ///< the sensible one
    void setOn(size_t place, bool on);
    void setAmount(size_t place, double amount, bool dragging);
    void setWhere(size_t place, const std::string& where);

    struct Effect {
        double removedDb = 0;  ///< RMS, dBFS
        bool whole = false;    ///< of the whole reel; else of the stretch that was treated at once
        bool any() const { return removedDb > -100; }
    };
    /// What a treatment takes away, once it is known.
    std::optional<Effect> effect(size_t place) const;

    /// Loops the stretch and plays what a treatment takes away, -1: what all of them do.
    void hearRemoved(int place);
    bool busy() const { return m_wait.isActive() || !m_own.idle(); }

signals:
    void changed();

private:
    struct Facts;  ///< kept between previews; touched by the queue's thread only
    struct Preview {
        std::string reel;
        std::vector<Treatment> chain;
        std::pair<double, double> span;
        TreatmentPreview stretch;
        std::shared_ptr<const AudioBuffer> treated;
    };
    void editChain(const QString& name, const std::function<void(std::vector<Treatment>&)>& change,
                   const std::string& gesture = "");
    void follow();
    void start();
    void play();
    std::pair<double, double> span() const;
    const Preview* preview() const;  ///< of the present chain, or null

    Document& m_document;
    Reels& m_reels;
    Hearing& m_hearing;
    std::shared_ptr<Facts> m_facts;
    std::optional<Preview> m_preview;
    std::string m_fault;  ///< findingKey() of the chosen one; empty: none
    std::string m_reel;   ///< whose chain was followed last
    std::vector<Treatment> m_chain;
    std::optional<int> m_removed;  ///< which treatment's share is to be heard
    QTimer m_wait;
    OwnWork m_own;
};

}  // namespace rivlen
