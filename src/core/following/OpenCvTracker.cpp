#include <algorithm>
#include <cmath>
#include <opencv2/core.hpp>
#include <opencv2/imgproc.hpp>
#include <opencv2/video/tracking.hpp>
#include <optional>
#include <random>

#include "core/following/ObjectTracker.h"

namespace rivlen {

namespace {

constexpr size_t kMostPoints = 60, kFewest = 6;
constexpr size_t kForScale = 12;                  // points that agree: of fewer the growth is mostly noise
constexpr double kFlowError = 1.5;                // pixels that a point may be off after it was followed there and back
constexpr double kSpread = 2.5;                   // pixels that a point may move apart from the others
constexpr double kSure = 0.5;                     // likeness at which what the flow says is believed
constexpr double kLikeEnough = 0.6;               // the same at which it is learned anew, where the points have stayed
constexpr double kStayed = 0.7;                   // share of the points that do: fewer, and something covers it
constexpr double kFoundAgain = 0.74;              // likeness at which what was lost is found
constexpr double kFoundAnywhere = 0.76;           // the same in the whole picture
constexpr double kInner = 0.76;                   // of the box: what is looked at; its corners are mostly background
constexpr int kLooks = 28;                        // pixels of the longer side of a look
constexpr size_t kMostLooks = 6;                  // that are remembered: the first, and the newest
constexpr double kOtherColours = 0.75;            // distance of Bhattacharyya between the colours of two things
constexpr double kCoveredByColours = 0.25;        // of a box, by colours that are the object's own
constexpr double kHintOfColours = 0.08;           // the same, below which nothing of it is there
constexpr int kLearnEvery = 4, kSearchEvery = 4;  // frames
constexpr int kLongAway = 15;                     // frames after which it may be anywhere
constexpr double kCoarse = 0.36, kWorthALook = 0.6;  // of a look's size; likeness of what is looked at closer
constexpr double kScaleCosts = 0.12;                 // likeness that another size must bring, for each factor of e
constexpr int kSoon = 4;                             // frames after which the search widens

double middleOf(std::vector<double> v) {
    std::nth_element(v.begin(), v.begin() + long(v.size() / 2), v.end());
    return v[v.size() / 2];
}

cv::Rect inside(const cv::Rect2d& box, const cv::Size& size) {
    const cv::Rect r(cvRound(box.x), cvRound(box.y), std::max(4, cvRound(box.width)), std::max(4, cvRound(box.height)));
    return r & cv::Rect(0, 0, size.width, size.height);
}

/// What matchTemplate() gives for two pictures of one size (TM_CCOEFF_NORMED), without its transforms.
double alike(const cv::Mat& a, const cv::Mat& b) {
    cv::Mat x, y;
    a.convertTo(x, CV_32F);
    b.convertTo(y, CV_32F);
    cv::subtract(x, cv::mean(x), x);
    cv::subtract(y, cv::mean(y), y);
    return x.dot(y) / std::max(1e-9, cv::norm(x) * cv::norm(y));
}

cv::Rect2d scaledAbout(const cv::Rect2d& r, double by) {
    return {r.x + r.width * (1 - by) / 2, r.y + r.height * (1 - by) / 2, r.width * by, r.height * by};
}

class OpenCvTracker : public ObjectTracker {
public:
    void begin(const PictureFrame& frame, const PictureBox& object) override {
        take(frame);
        m_box = {object.x * frame.width, object.y * frame.height, std::max(6.0, object.width * frame.width),
                 std::max(6.0, object.height * frame.height)};
        m_size = m_sure = m_box.size();
        m_looks = {look(m_box)};
        m_colours = coloursOf(m_colour(inside(scaledAbout(m_box, kInner), m_colour.size())));
        m_sureLook = m_looks[0];
        m_lost = m_since = 0;
        m_everywhere = false;
        m_speed = {};
        m_points.clear();
        plant();
        keep();
    }

    bool next(const PictureFrame& frame, PictureBox& object) override {
        take(frame);
        const bool cut = isCut();
        bool found = false;
        if (m_lost == 0 && !cut) found = byFlow();
        if (!found) found = byLooks(cut);
        m_lost = found ? 0 : m_lost + 1;
        m_everywhere = !found && (m_everywhere || cut);
        if (found) m_everywhere = false;
        keep();
        object = {m_box.x / frame.width, m_box.y / frame.height, m_box.width / frame.width,
                  m_box.height / frame.height};
        return found;
    }

private:
    void take(const PictureFrame& frame) {
        const cv::Mat rgba(frame.height, frame.width, CV_8UC4, const_cast<uint8_t*>(frame.rgba.data()));
        cv::cvtColor(rgba, m_colour, cv::COLOR_RGBA2RGB);
        cv::cvtColor(rgba, m_grey, cv::COLOR_RGBA2GRAY);
        cv::resize(m_grey, m_small, {32, 18}, 0, 0, cv::INTER_AREA);
    }
    void keep() {
        m_grey.copyTo(m_greyBefore);
        m_small.copyTo(m_smallBefore);
    }

    /// Most of the picture is another one: not a pan, which a thumbnail shifted a little explains.
    bool isCut() const {
        if (m_smallBefore.empty()) return false;
        cv::Mat like;
        cv::matchTemplate(m_small, m_smallBefore(cv::Rect(4, 2, 24, 14)), like, cv::TM_CCOEFF_NORMED);
        double best = 0;
        cv::minMaxLoc(like, nullptr, &best);
        return best < 0.5;
    }

    /// The inner part of a box as it looks, at the size of all looks.
    cv::Mat look(const cv::Rect2d& box) const {
        const cv::Rect r = inside(scaledAbout(box, kInner), m_colour.size());
        cv::Mat out;
        if (r.area() < 16) return out;
        const double by = kLooks / std::max(m_size.width, m_size.height);
        cv::resize(m_colour(r), out,
                   {std::max(6, cvRound(m_size.width * by)), std::max(6, cvRound(m_size.height * by))}, 0, 0,
                   cv::INTER_AREA);
        return out;
    }
    double likeness(const cv::Rect2d& box) const {
        const cv::Mat now = look(box);
        double best = 0;
        if (!now.empty())
            for (const cv::Mat& known : m_looks) best = std::max(best, alike(now, known));
        return best;
    }
    void learn() {
        if (++m_since < kLearnEvery) return;
        remember();
        m_sureLook = m_looks.back();
    }
    void remember() {
        const cv::Mat now = look(m_box);
        if (now.empty()) return;
        m_since = 0;
        m_looks.push_back(now);
        if (m_looks.size() > kMostLooks) m_looks.erase(m_looks.begin() + 1);
    }

    /// New points where the object has corners, in its inner part, where less of the background is.
    void plant() {
        const cv::Rect r = inside(scaledAbout(m_box, 0.8), m_grey.size());
        if (r.area() < 36 || m_points.size() > kMostPoints / 2) return;
        std::vector<cv::Point2f> fresh;
        cv::goodFeaturesToTrack(m_grey(r), fresh, int(kMostPoints - m_points.size()), 0.01,
                                std::max(2.0, std::sqrt(double(r.area())) / 12));
        for (const auto& p : fresh) m_points.push_back(p + cv::Point2f(float(r.x), float(r.y)));
    }

    bool byFlow() {
        const size_t before = m_points.size();
        if (before < kFewest) return false;
        std::vector<cv::Point2f> there, back;
        std::vector<uchar> seen, seenBack;
        std::vector<float> error;
        const cv::Size window(13, 13);
        cv::calcOpticalFlowPyrLK(m_greyBefore, m_grey, m_points, there, seen, error, window, 4);
        cv::calcOpticalFlowPyrLK(m_grey, m_greyBefore, there, back, seenBack, error, window, 4);
        std::vector<cv::Point2f> from, to;
        for (size_t i = 0; i < there.size(); ++i)
            if (seen[i] && seenBack[i] && cv::norm(back[i] - m_points[i]) < kFlowError)
                from.push_back(m_points[i]), to.push_back(there[i]);
        if (from.size() < kFewest) return false;
        const auto move = shared(from, to);
        if (!move) return false;
        const auto [centre, scale, agreeing] = *move;
        if (agreeing.size() < kFewest) return false;
        cv::Rect2d box = scaledAbout(m_box, scale);
        box.x += centre.x, box.y += centre.y;
        if (!visible(box)) return false;
        const double like = likeness(box);
        if (like < kSure) return false;
        m_speed = 0.5 * m_speed + 0.5 * centre;
        m_box = box;
        m_sure = box.size();
        m_points.clear();
        for (size_t i : agreeing)
            if (scaledAbout(m_box, 1.15).contains(cv::Point2d(to[i]))) m_points.push_back(to[i]);
        const bool stayed = double(agreeing.size()) > kStayed * double(before);
        if (stayed && like > kLikeEnough) learn();
        if (stayed || m_points.size() < 2 * kFewest) plant();
        return true;
    }

    struct Move {
        cv::Point2d centre;
        double scale;
        std::vector<size_t> agreeing;
    };
    /// The movement that most points share: of many pairs of points, the shift and scale that most others agree with
    /// (RANSAC: Fischler and Bolles, 1981), then the median of those.
    std::optional<Move> shared(const std::vector<cv::Point2f>& from, const std::vector<cv::Point2f>& to) {
        const cv::Point2d middle(m_box.x + m_box.width / 2, m_box.y + m_box.height / 2);
        std::vector<size_t> best;
        const auto agree = [&](const cv::Point2d& shift, double scale) {
            std::vector<size_t> who;
            for (size_t i = 0; i < from.size(); ++i) {
                const cv::Point2d at = middle + shift + scale * (cv::Point2d(from[i]) - middle);
                if (cv::norm(at - cv::Point2d(to[i])) < kSpread) who.push_back(i);
            }
            return who;
        };
        std::uniform_int_distribution<size_t> any(0, from.size() - 1);
        for (int trial = 0; trial < 60; ++trial) {
            const size_t a = any(m_random), b = any(m_random);
            const double far = cv::norm(from[a] - from[b]);
            if (a == b || far < 4) continue;
            const double scale = cv::norm(to[a] - to[b]) / far;
            if (scale < 0.85 || scale > 1.18) continue;
            const cv::Point2d shift = cv::Point2d(to[a]) - middle - scale * (cv::Point2d(from[a]) - middle);
            if (auto who = agree(shift, scale); who.size() > best.size()) best = std::move(who);
        }
        if (best.size() < std::max(kFewest, from.size() / 4)) return {};
        std::vector<double> scales;
        for (size_t i = 0; i < best.size(); ++i)
            for (size_t k = i + 1; k < best.size(); ++k) {
                const double far = cv::norm(from[best[i]] - from[best[k]]);
                if (far > 6) scales.push_back(cv::norm(to[best[i]] - to[best[k]]) / far);
            }
        const double scale = best.size() < kForScale ? 1 : std::clamp(middleOf(std::move(scales)), 0.975, 1.025);
        std::vector<double> x, y;
        for (size_t i : best) {
            const cv::Point2d shift = cv::Point2d(to[i]) - middle - scale * (cv::Point2d(from[i]) - middle);
            x.push_back(shift.x), y.push_back(shift.y);
        }
        return Move{{middleOf(std::move(x)), middleOf(std::move(y))}, scale, std::move(best)};
    }

    bool visible(const cv::Rect2d& box) const {
        const cv::Rect2d seen = box & cv::Rect2d(0, 0, m_grey.cols, m_grey.rows);
        return seen.area() > 0.4 * box.area() && box.width >= 4 && box.height >= 4;
    }

    /// The looks that are searched for: the first and the newest; where it has been away all of them, and the last one
    /// that the flow led to turned as well.
    std::vector<cv::Mat> wanted(bool away) const {
        if (!away) return {m_looks.front(), m_looks.back()};
        std::vector<cv::Mat> all = m_looks;
        const std::vector<double> turns = m_lost > kLongAway ? std::vector<double>{-80, -60, -40, -20, 20, 40, 60, 80}
                                                             : std::vector<double>{-40, -20, 20, 40};
        for (const double degrees : turns) {
            cv::Mat out;
            const cv::Point2f middle(float(m_sureLook.cols) / 2, float(m_sureLook.rows) / 2);
            cv::warpAffine(m_sureLook, out, cv::getRotationMatrix2D(middle, degrees, 1), m_sureLook.size(),
                           cv::INTER_LINEAR, cv::BORDER_REFLECT);
            all.push_back(out);
        }
        return all;
    }

    struct Candidate {
        double like;
        cv::Rect2d box;
    };
    /// The place in a window that looks most like what is wanted. coarse: at a third of the size.
    Candidate bestIn(const cv::Rect& window, const std::vector<cv::Mat>& looks, const std::vector<double>& scales,
                     bool coarse) const {
        Candidate best{0, {}};
        std::vector<cv::Mat> small = looks;
        if (coarse)
            for (cv::Mat& look : small) {
                cv::Mat part;
                cv::resize(look, part, {}, kCoarse, kCoarse, cv::INTER_AREA);
                look = part;
            }
        for (const double scale : scales) {
            // A look is the inner part of a box.
            const double shrink = double(small[0].cols) / (m_sure.width * kInner * scale),
                         price = kScaleCosts * std::fabs(std::log(scale));
            const cv::Size wanted(cvRound(window.width * shrink), cvRound(window.height * shrink));
            if (wanted.width < small[0].cols || wanted.height < small[0].rows) continue;
            cv::Mat field, like;
            cv::resize(m_colour(window), field, wanted, 0, 0, shrink < 1 ? cv::INTER_AREA : cv::INTER_LINEAR);
            for (const cv::Mat& look : small) {
                cv::matchTemplate(field, look, like, cv::TM_CCOEFF_NORMED);
                double most = 0;
                cv::Point where;
                cv::minMaxLoc(like, nullptr, &most, nullptr, &where);
                if (most - price <= best.like) continue;
                const cv::Point2d middle(window.x + (where.x + look.cols / 2.0) / shrink,
                                         window.y + (where.y + look.rows / 2.0) / shrink);
                const double wide = m_sure.width * scale, high = m_sure.height * scale;
                best = {most - price, {middle.x - wide / 2, middle.y - high / 2, wide, high}};
            }
        }
        return best;
    }

    /// How the colours of a part of the picture are shared out: 8 levels of each.
    static cv::Mat coloursOf(const cv::Mat& part) {
        cv::Mat shares;
        const int channels[] = {0, 1, 2}, sizes[] = {8, 8, 8};
        const float range[] = {0, 256};
        const float* ranges[] = {range, range, range};
        cv::calcHist(&part, 1, channels, cv::Mat(), shares, 3, sizes, ranges);
        cv::normalize(shares, shares, 1, 0, cv::NORM_L1);
        return shares;
    }
    /// Whether a box has the colours of the first look: what has its shape alone is another thing.
    bool rightColours(const cv::Rect2d& box) const {
        const cv::Rect r = inside(scaledAbout(box, kInner), m_colour.size());
        if (r.area() < 16) return false;
        return cv::compareHist(m_colours, coloursOf(m_colour(r)), cv::HISTCMP_BHATTACHARYYA) < kOtherColours;
    }
    /// How much of its colours the surroundings of each place hold, 0 ... 255, taken together over its size. Colours
    /// that the rest of the picture has as well tell nothing. around: the same over three times its size.
    cv::Mat ownColours(cv::Mat* around = nullptr) const {
        cv::Mat likely, blurred, ratio;
        const int channels[] = {0, 1, 2};
        const float range[] = {0, 256};
        const float* ranges[] = {range, range, range};
        cv::divide(m_colours, coloursOf(m_colour) + 1e-4, ratio);
        cv::min(ratio, 40, ratio);
        cv::calcBackProject(&m_colour, 1, channels, ratio, likely, ranges, 255.0 / 40);
        const cv::Size size(std::max(5, cvRound(m_sure.width * kInner)), std::max(5, cvRound(m_sure.height * kInner)));
        cv::blur(likely, blurred, size, {-1, -1}, cv::BORDER_CONSTANT);
        if (around) cv::blur(likely, *around, size * 3, {-1, -1}, cv::BORDER_CONSTANT);
        return blurred;
    }
    /// Whether its colours are anywhere in a window: where they are not, it need not be searched.
    bool coloursIn(const cv::Rect& window) const {
        double most = 0;
        cv::minMaxLoc(ownColours()(window), nullptr, &most);
        return most > kHintOfColours * 255;
    }
    /// Where its colours lie closest together, when its looks are no longer known: the box of its size that holds most
    /// of them.
    std::optional<cv::Rect2d> byColours() const {
        cv::Mat wide;
        const cv::Mat blurred = ownColours(&wide);
        double most = 0;
        cv::Point at;
        cv::minMaxLoc(blurred, nullptr, &most, nullptr, &at);
        if (most < kCoveredByColours * 255 || most < 3 * double(wide.at<uchar>(at))) return {};
        return cv::Rect2d(at.x - m_sure.width / 2, at.y - m_sure.height / 2, m_sure.width, m_sure.height);
    }

    bool byLooks(bool cut) {
        const bool everywhere = cut || m_everywhere || m_lost > kLongAway;
        const bool away = everywhere || m_lost > kSoon;
        if (away && !cut && m_lost % kSearchEvery != 0) return false;
        cv::Rect2d expected = m_box;
        const int steps = std::min(m_lost + 1, 12);  // it goes on as it went, for half a second
        expected.x += m_speed.x * steps, expected.y += m_speed.y * steps;
        const double reach = 0.8 + 0.35 * std::min(m_lost, 32) / kSoon;
        const cv::Rect whole(0, 0, m_grey.cols, m_grey.rows);
        const cv::Rect window = everywhere ? whole : inside(scaledAbout(expected, 1 + 2 * reach), m_grey.size());
        if (away && !coloursIn(window)) return false;
        const auto looks = wanted(away);
        const std::vector<double> sizes =
            away ? std::vector<double>{0.75, 1, 1.33} : std::vector<double>{0.93, 1, 1.08};
        // Coarsely first: where there is nothing alike, the fine search would take ten times as long.
        const Candidate coarse = bestIn(window, looks, sizes, away);
        Candidate best = coarse;
        const bool lostForLong = m_lost > kLongAway;
        if (away && coarse.like >= kWorthALook) {
            const double scale = coarse.box.width / m_sure.width;
            best = bestIn(inside(scaledAbout(coarse.box, 1.5), m_grey.size()), looks,
                          {0.86 * scale, 0.93 * scale, scale, 1.08 * scale, 1.16 * scale}, false);
        }
        if (best.like < (everywhere ? kFoundAnywhere : kFoundAgain) || !rightColours(best.box)) {
            const auto coloured = lostForLong ? byColours() : std::nullopt;
            if (!coloured || !rightColours(*coloured)) return false;
            best = {1, *coloured};
        }
        const cv::Point2d moved = best.box.tl() - m_box.tl();
        m_speed = m_lost == 0 ? 0.5 * m_speed + 0.5 * moved : cv::Point2d();
        m_box = best.box;
        m_points.clear();
        plant();
        // It has turned or changed while it was away: in the next frame it is looked for as it is now.
        if (best.like > kFoundAnywhere) {
            remember();
            if (away) {  // what is near may be half covered by now
                m_sure = m_box.size();
                m_sureLook = m_looks.back();
            }
        }
        return true;
    }

    cv::Mat m_colour, m_grey, m_small, m_greyBefore, m_smallBefore;
    std::vector<cv::Mat> m_looks;  ///< the first, then the newest of those that were sure
    cv::Mat m_colours;             ///< of the first look
    cv::Mat m_sureLook;            ///< the newest one that was learned while the flow led, or found again for sure
    cv::Size2d m_size;             ///< of the box at the beginning, whose shape all looks have
    cv::Size2d m_sure;             ///< of the box when the flow led it last
    int m_since = 0;               ///< frames since one was learned
    cv::Rect2d m_box;
    cv::Point2d m_speed;
    std::vector<cv::Point2f> m_points;
    int m_lost = 0;
    bool m_everywhere = false;
    std::mt19937 m_random{1};
};

}  // namespace

}  // namespace rivlen

extern "C" __attribute__((visibility("default"))) rivlen::ObjectTracker* rivlenMakeObjectTracker() {
    cv::setNumThreads(1);  // sound needs the others
    return new rivlen::OpenCvTracker;
}
