#include "core/space/Vbap.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace rivlen {

namespace {

using Vector = Vector3;
constexpr double kSlack = 1e-9;

double wrapped(double degrees) { return std::remainder(degrees, 360.0); }

}  // namespace

Vbap::Vbap(const std::vector<Speaker>& speakers) : m_speakers(speakers) {
    double widest = 0;
    for (size_t i = 0; i < m_speakers.size(); ++i) {
        m_vectors.push_back(unitVector(m_speakers[i].at));
        if (m_speakers[i].lfe) continue;
        m_bearing.push_back(int(i));
        m_heights = m_heights || m_speakers[i].at.elevation > 0;
        widest = std::max(widest, std::fabs(m_speakers[i].at.azimuth));
    }
    m_front = widest < 90;
    if (!m_heights) {
        addPairs();
        return;
    }
    for (double z : {1.0, -1.0}) {
        m_bearing.push_back(int(m_vectors.size()));
        m_vectors.push_back({0, 0, z});
    }
    addTriples();
}

void Vbap::addPairs() {
    std::vector<int> ring = m_bearing;
    std::sort(ring.begin(), ring.end(),
              [this](int a, int b) { return m_speakers[size_t(a)].at.azimuth < m_speakers[size_t(b)].at.azimuth; });
    for (size_t i = 0; i + (m_front ? 1 : 0) < ring.size(); ++i) {
        const int a = ring[i], b = ring[(i + 1) % ring.size()];
        const Vector &u = m_vectors[size_t(a)], &v = m_vectors[size_t(b)];
        const double det = u[0] * v[1] - u[1] * v[0];
        m_bases.push_back({{a, b, -1}, {Vector{v[1] / det, -v[0] / det, 0}, Vector{-u[1] / det, u[0] / det, 0}, {}}});
    }
}

void Vbap::addTriples() {
    // The triangles of the convex hull: nothing lies beyond them.
    for (size_t i = 0; i < m_bearing.size(); ++i)
        for (size_t j = i + 1; j < m_bearing.size(); ++j)
            for (size_t k = j + 1; k < m_bearing.size(); ++k) {
                const std::array<int, 3> three{m_bearing[i], m_bearing[j], m_bearing[k]};
                const Vector &a = m_vectors[size_t(three[0])], &b = m_vectors[size_t(three[1])],
                             &c = m_vectors[size_t(three[2])];
                const double det = dot(a, cross(b, c));
                if (std::fabs(det) < 1e-6) continue;
                Vector normal = cross(minus(b, a), minus(c, a));
                if (dot(normal, a) < 0) normal = scaled(normal, -1);
                if (std::any_of(m_bearing.begin(), m_bearing.end(),
                                [&](int n) { return dot(normal, minus(m_vectors[size_t(n)], a)) > kSlack; }))
                    continue;
                m_bases.push_back(
                    {three,
                     {scaled(cross(b, c), 1 / det), scaled(cross(c, a), 1 / det), scaled(cross(a, b), 1 / det)}});
            }
}

void Vbap::addPoint(const Direction& at, std::vector<double>& sum) const {
    if (m_bearing.size() == 1) {
        sum[size_t(m_bearing[0])] += 1;
        return;
    }
    Direction to{wrapped(at.azimuth), m_heights ? at.elevation : 0};
    if (m_front) {
        if (std::fabs(to.azimuth) > 90) to.azimuth = std::copysign(180 - std::fabs(to.azimuth), to.azimuth);
        const double edge = m_speakers[0].at.azimuth;  // left
        to.azimuth = std::clamp(to.azimuth, -edge, edge);
    }
    const Vector p = unitVector(to);
    std::vector<double> all(m_vectors.size(), 0.0);
    for (const Base& base : m_bases) {
        std::array<double, 3> g{};
        bool within = true;
        double power = 0;
        for (size_t n = 0; n < 3 && base.speakers[n] >= 0; ++n) {
            g[n] = dot(p, base.inverse[n]);
            within = within && g[n] > -kSlack;
            power += g[n] * g[n];
        }
        if (!within) continue;
        // Where four loudspeakers lie in a plane two pairs of triangles are right: their mean keeps left like right.
        for (size_t n = 0; n < 3 && base.speakers[n] >= 0; ++n)
            all[size_t(base.speakers[n])] += std::max(0.0, g[n]) / std::sqrt(power);
    }
    if (m_heights)
        for (bool above : {true, false}) {
            const double gain = all[m_speakers.size() + (above ? 0 : 1)];
            double count = 0;
            for (const Speaker& s : m_speakers) count += !s.lfe && (s.at.elevation > 0) == above;
            for (size_t i = 0; i < m_speakers.size() && gain > 0; ++i)
                if (!m_speakers[i].lfe && (m_speakers[i].at.elevation > 0) == above) all[i] += gain / std::sqrt(count);
        }
    double power = 1e-30;
    for (size_t i = 0; i < m_speakers.size(); ++i) power += all[i] * all[i];
    for (size_t i = 0; i < m_speakers.size(); ++i) sum[i] += all[i] / std::sqrt(power);
}

std::vector<double> Vbap::gains(const Direction& at, double spread) const {
    std::vector<double> sum(m_speakers.size(), 0.0);
    addPoint(at, sum);
    if (spread > 0) {
        // Directions on two rings around the middle one; in a ring of loudspeakers along it.
        const Vector p = unitVector(at);
        const Vector aside = unitVector({at.azimuth + 90, 0}), up = cross(p, aside);
        for (double share : {0.5, 1.0}) {
            const double away = share * spread / 2 * kDegree;
            const int count = !m_heights ? 2 : share < 1 ? 8 : 16;
            for (int n = 0; n < count; ++n) {
                const double turn = 2 * std::numbers::pi * n / count;
                const Vector off{std::cos(turn) * aside[0] + std::sin(turn) * up[0],
                                 std::cos(turn) * aside[1] + std::sin(turn) * up[1],
                                 std::cos(turn) * aside[2] + std::sin(turn) * up[2]};
                Vector q;
                for (size_t i = 0; i < 3; ++i) q[i] = std::cos(away) * p[i] + std::sin(away) * off[i];
                addPoint(directionOf(q), sum);
            }
        }
    }
    double power = 1e-30;
    for (double g : sum) power += g * g;
    for (double& g : sum) g /= std::sqrt(power);
    return sum;
}

}  // namespace rivlen
