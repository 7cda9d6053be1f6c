#pragma once
#include "app/dispatch/DispatchDesk.h"
#include "app/hearing/MixMaker.h"

namespace rivlen {

/// At Dispatch, what the transport plays in the place of the mix: the chosen file as it was delivered, or, before that,
/// what will be delivered, at its strength and before its loudness.
class DeliveryHearing : public QObject {
    Q_OBJECT
public:
    DeliveryHearing(Document& document, Reels& reels, DeliverablesDesk& deliverables, DispatchDesk& dispatch,
                    MixMaker& mix, Work& work, QObject* parent = nullptr);

    enum class Plays { Nothing, Delivered, ToBeDelivered };
    Plays plays() const { return m_plays; }
    const std::shared_ptr<const MixPlan>& current() const { return m_plan; }
    QString why() const { return m_why; }  ///< where there is nothing: one sentence

signals:
    void changed();

private:
    std::shared_ptr<const MixPlan> plan(const std::shared_ptr<const MixPlan>& rebuild);
    std::shared_ptr<const MixPlan> delivered(const DeliveryReport& report, const Deliverable& deliverable);
    /// Of beds and objects: their tracks are no channels to be heard, so the lanes are placed again, as loud as the
    /// file is.
    std::shared_ptr<const MixPlan> placedAgain(const DeliveryReport& report, const Deliverable& deliverable);
    std::shared_ptr<const MixPlan> toBeDelivered(const Deliverable& deliverable);

    Document& m_document;
    Reels& m_reels;
    DeliverablesDesk& m_deliverables;
    DispatchDesk& m_dispatch;
    MixMaker& m_mix;
    std::string m_key;  ///< what m_plan is made of
    std::shared_ptr<const MixPlan> m_plan;
    Plays m_plays = Plays::Nothing;
    QString m_why;
    OwnWork m_own;
};

}  // namespace rivlen
