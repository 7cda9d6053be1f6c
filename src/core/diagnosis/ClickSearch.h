#pragma once
#include <cstdint>
#include <span>
#include <vector>

namespace rivlen {

/// A place where a channel jumps out of its own timeline.
struct Click {
    int64_t at = 0;    ///< sample with the largest prediction error
    float error = 0;   ///< its magnitude
    float beside = 0;  ///< the largest one nearby, that it stands out from
};

/// Finds clicks in one channel while it passes by.
///
/// Each stretch of some 20 ms is predicted from its past (autoregression of order kOrder; Godsill and Rayner 1998,
/// chapter 5). A click is a prediction error that is `ratio` times as large as every other one from 2 to 15 ms before
/// and after it. A voice's pulses come again within that time, a drum or a consonant goes on sounding; only a click is
/// alone. Since a loud click spoils the prediction itself, whatever is kSuspicious times as large is looked at again
/// with a prediction made without it. What is below -66 dBFS is left.
class ClickSearch {
public:
    static constexpr int kOrder = 32;
    static constexpr float kSuspicious = 1.5f;
    explicit ClickSearch(int rate, float ratio = 9.0f);

    void add(std::span<const float> x);
    void finish();  ///< no more will come
    const std::vector<Click>& found() const { return m_found; }
    void forget() { m_found.clear(); }

private:
    struct Cell {
        float most = 0;
        int64_t at = 0;
    };
    void analyse(int64_t until);
    void decide(bool last);
    bool confirm(Click& click) const;  ///< looks again, with a prediction from around it
    int m_step, m_cell;
    float m_ratio;
    std::vector<float> m_x;  ///< samples that are still needed
    int64_t m_first = 0;     ///< place of the first of them
    int64_t m_done = 0;      ///< up to where the error is known
    std::vector<Cell> m_cells;
    int64_t m_cellsFirst = 0;  ///< index of the first cell kept
    int64_t m_decided = 0;     ///< cells that are decided
    std::vector<float> m_error;
    std::vector<Click> m_found;
};

}  // namespace rivlen
