#include "core/diagnosis/ClickSearch.h"

#include <algorithm>
#include <cmath>

#include "core/spectral/Autoregression.h"

namespace rivlen {

namespace {
constexpr float kLeast = 5e-4f;
constexpr int kNear = 4, kFar = 30;  // cells of half a millisecond
constexpr int kAround = 800;         // samples
constexpr double kAttack = 4;        // in power, 10 ms after against 10 ms before
constexpr float kAttackRatio = 3;
constexpr int kWide = 10;  // samples to either side that a click may spoil
}  // namespace

ClickSearch::ClickSearch(int rate, float ratio)
    : m_step(std::max(4 * kOrder, rate / 48)), m_cell(std::max(4, rate / 2000)), m_ratio(ratio) {
    m_step = m_step / m_cell * m_cell;
}

void ClickSearch::add(std::span<const float> x) {
    m_x.insert(m_x.end(), x.begin(), x.end());
    analyse(m_first + int64_t(m_x.size()) - m_step / 2);
    decide(false);
}

void ClickSearch::finish() {
    const int64_t end = m_first + int64_t(m_x.size());
    m_x.resize(m_x.size() + size_t(2 * m_step), 0.0f);
    analyse(end + m_step);
    decide(true);
    // What the silence after the end seems to be is none of the recording's.
    std::erase_if(m_found, [&](const Click& c) { return c.at >= end - kOrder; });
}

void ClickSearch::analyse(int64_t until) {
    while (m_done + m_step <= until) {
        const int64_t from = std::max(m_first, m_done - m_step / 2),
                      to = std::min(m_done + m_step + m_step / 2, m_first + int64_t(m_x.size()));
        const auto a = autoregression(std::span(m_x).subspan(size_t(from - m_first), size_t(to - from)), kOrder);
        const int64_t lead = std::min<int64_t>(kOrder, m_done - m_first);
        m_error.resize(size_t(lead + m_step));
        predictionError(std::span(m_x).subspan(size_t(m_done - lead - m_first), size_t(lead + m_step)), a, m_error);
        for (int64_t i = 0; i < m_step; i += m_cell) {
            Cell cell;
            for (int64_t k = i; k < i + m_cell; ++k)
                if (const float e = std::fabs(m_error[size_t(lead + k)]); e > cell.most) cell = {e, m_done + k};
            m_cells.push_back(cell);
        }
        m_done += m_step;
    }
    const int64_t keep = std::min(m_done - m_step / 2 - kOrder, m_decided * m_cell - 2 * kAround);
    if (keep > m_first + 8 * m_step) {
        m_x.erase(m_x.begin(), m_x.begin() + (keep - m_first));
        m_first = keep;
    }
}

void ClickSearch::decide(bool last) {
    const int64_t end = m_cellsFirst + int64_t(m_cells.size());
    const auto cell = [&](int64_t k) -> const Cell& { return m_cells[size_t(k - m_cellsFirst)]; };
    for (; m_decided < (last ? end : end - kFar); ++m_decided) {
        const Cell& here = cell(m_decided);
        if (here.most < kLeast) continue;
        float beside = 0;
        bool first = true;
        for (int64_t k = std::max(m_cellsFirst, m_decided - kFar); k <= std::min(end - 1, m_decided + kFar) && first;
             ++k) {
            const int64_t far = std::abs(k - m_decided);
            if (far < kNear)
                first = k == m_decided || cell(k).most < here.most || (cell(k).most == here.most && k > m_decided);
            else beside = std::max(beside, cell(k).most);
        }
        if (!first || here.most < kSuspicious * beside) continue;
        Click click{here.at, here.most, beside};
        if (confirm(click)) m_found.push_back(click);
    }
    const int64_t keep = m_decided - kFar;
    if (keep > m_cellsFirst + 1000) {
        m_cells.erase(m_cells.begin(), m_cells.begin() + (keep - m_cellsFirst));
        m_cellsFirst = keep;
    }
}

bool ClickSearch::confirm(Click& click) const {
    const int64_t from = std::max(m_first, click.at - kAround),
                  to = std::min(m_first + int64_t(m_x.size()), click.at + kAround);
    const int here = int(click.at - from), n = int(to - from);
    if (n < 8 * kOrder) return false;
    const std::span<const float> x = std::span(m_x).subspan(size_t(from - m_first), size_t(n));
    std::vector<float> clean(x.begin(), x.end()), error(x.size());
    std::vector<int> unknown;
    for (int i = std::max(0, here - kWide); i < std::min(n, here + kWide + 1); ++i) unknown.push_back(i);
    interpolate(clean, unknown, autoregression(clean, kOrder));
    predictionError(x, autoregression(clean, kOrder), error);
    click.error = click.beside = 0;
    for (int i = kOrder; i < n; ++i) {
        const float e = std::fabs(error[size_t(i)]);
        const int far = std::abs(i - here);
        if (far <= kWide) {
            if (e > click.error) click.error = e, click.at = from + i;
        } else if (far > kNear * m_cell && far < kFar * m_cell) {
            click.beside = std::max(click.beside, e);
        }
    }
    // Where something begins to sound, as with a k or a plucked string, the beginning itself is a tick: only a far
    // larger one is a click.
    const auto power = [&](int a, int b) {
        double sum = 1e-12;
        for (int i = std::max(0, a); i < std::min(n, b); ++i) sum += double(x[size_t(i)]) * x[size_t(i)];
        return sum;
    };
    const int edge = 2 * m_cell, reach = 20 * m_cell;
    const bool attack = power(here + edge, here + reach) > kAttack * power(here - reach, here - edge);
    return click.error > (attack ? kAttackRatio : 1) * m_ratio * click.beside;
}

}  // namespace rivlen
