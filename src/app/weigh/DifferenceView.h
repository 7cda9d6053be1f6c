#pragma once
#include "app/views/ComputedPicture.h"
#include "app/weigh/CandidateDesk.h"

namespace rivlen {

/// What differs between the results of two candidates: brightness shows the level of the difference, hue which of the
/// two has more there. Computed for what is visible, of at most kLongest.
class DifferenceView : public ComputedPicture {
    Q_OBJECT
public:
    DifferenceView(Document& document, Reels& reels, Hearing& hearing, CandidateDesk& desk, TimeAxis& axis,
                   QWidget* parent = nullptr);
    static constexpr double kLongest = 60;  // seconds

protected:
    Job prepare(int columns, int rows) override;
    void paintPicture(QPainter& painter) override;

private:
    QString hindrance() const;  ///< why there is no picture; empty when there is one
    CandidateDesk& m_desk;
    std::vector<std::optional<Candidate>> m_shown;  ///< what the picture was made for
};

}  // namespace rivlen
