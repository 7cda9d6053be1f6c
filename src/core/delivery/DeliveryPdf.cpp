#include <cairo-pdf.h>
#include <fontconfig/fontconfig.h>
#include <pango/pangocairo.h>

#include <algorithm>
#include <memory>
#include <mutex>

#include "core/base/Resources.h"
#include "core/delivery/DeliveryFiles.h"
#include "core/media/Timecode.h"

namespace rivlen {

namespace {

constexpr double kWidth = 595.28, kHeight = 841.89, kMargin = 48;  // points, A4
constexpr double kInk[] = {0.11, 0.106, 0.094}, kQuiet[] = {0.43, 0.4, 0.35}, kBad[] = {0.69, 0.27, 0.11};

/// A document that grows from the top down and begins another page where it must.
class Paper {
public:
    explicit Paper(std::string& bytes) {
        static std::once_flag once;
        std::call_once(once, [] {
            if (const auto fonts = resourceFolder("fonts"); !fonts.empty())
                FcConfigAppFontAddDir(nullptr, reinterpret_cast<const FcChar8*>(fonts.c_str()));
        });
        const auto append = [](void* to, const unsigned char* data, unsigned count) {
            static_cast<std::string*>(to)->append(reinterpret_cast<const char*>(data), count);
            return CAIRO_STATUS_SUCCESS;
        };
        m_surface = cairo_pdf_surface_create_for_stream(append, &bytes, kWidth, kHeight);
        m_cairo = cairo_create(m_surface);
    }
    ~Paper() {
        cairo_destroy(m_cairo);
        cairo_surface_finish(m_surface);
        cairo_surface_destroy(m_surface);
    }
    void title(const std::string& text) {
        cairo_pdf_surface_set_metadata(m_surface, CAIRO_PDF_METADATA_TITLE, text.c_str());
    }
    void need(double height) {
        if (m_y + height <= kHeight - kMargin) return;
        cairo_show_page(m_cairo);
        m_y = kMargin;
    }
    void gap(double height) { m_y += height; }
    /// Lines of text from x on, wrapped at the right margin; their height.
    double write(const std::string& text, const char* font, const double* colour, double x = kMargin, double width = 0,
                 bool advance = true) {
        const std::unique_ptr<PangoLayout, void (*)(gpointer)> layout(pango_cairo_create_layout(m_cairo),
                                                                      g_object_unref);
        PangoFontDescription* description = pango_font_description_from_string(font);
        pango_layout_set_font_description(layout.get(), description);
        pango_font_description_free(description);
        pango_layout_set_width(layout.get(), int((width > 0 ? width : kWidth - kMargin - x) * PANGO_SCALE));
        pango_layout_set_wrap(layout.get(), PANGO_WRAP_WORD_CHAR);
        pango_layout_set_text(layout.get(), text.c_str(), int(text.size()));
        int w = 0, h = 0;
        pango_layout_get_pixel_size(layout.get(), &w, &h);
        if (advance) need(h);
        cairo_set_source_rgb(m_cairo, colour[0], colour[1], colour[2]);
        cairo_move_to(m_cairo, x, m_y);
        pango_cairo_show_layout(m_cairo, layout.get());
        if (advance) m_y += h;
        return h;
    }
    cairo_t* cairo() { return m_cairo; }
    double y() const { return m_y; }

private:
    cairo_surface_t* m_surface;
    cairo_t* m_cairo;
    double m_y = kMargin;
};

/// Waveform, short-term loudness from -50 to 0 LUFS and the integrated one.
void plot(Paper& paper, const DeliveryReport& r) {
    constexpr double w = kWidth - 2 * kMargin, h = 54;
    paper.need(h + 6);
    cairo_t* c = paper.cairo();
    const double top = paper.y();
    cairo_set_source_rgb(c, 0.95, 0.93, 0.88);
    cairo_rectangle(c, kMargin, top, w, h);
    cairo_fill(c);
    cairo_set_source_rgb(c, 0.82, 0.78, 0.7);
    for (size_t i = 0; i < r.curves->wave.size(); ++i) {
        const double step = w / double(r.curves->wave.size()),
                     high = h / 2 * (1 - std::min(1.0, double(r.curves->wave[i].second))),
                     low = h / 2 * (1 - std::max(-1.0, double(r.curves->wave[i].first)));
        cairo_rectangle(c, kMargin + step * double(i), top + high, step, std::max(0.3, low - high));
    }
    cairo_fill(c);
    const auto y = [&](double lufs) { return top + h * std::clamp(-lufs / 50, 0.0, 1.0); };
    cairo_set_line_width(c, 0.4);
    for (int lufs : {-40, -30, -20, -10}) {
        cairo_set_source_rgb(c, 0.7, 0.66, 0.58);
        cairo_move_to(c, kMargin, y(lufs));
        cairo_rel_line_to(c, w, 0);
        cairo_stroke(c);
    }
    cairo_set_source_rgb(c, kInk[0], kInk[1], kInk[2]);
    cairo_set_line_width(c, 0.9);
    for (size_t i = 0; i < r.curves->shortTerm.size(); ++i)
        cairo_line_to(c, kMargin + w * double(i + 1) / double(r.curves->shortTerm.size()),
                      y(double(r.curves->shortTerm[i])));
    cairo_stroke(c);
    if (r.integrated) {
        cairo_set_source_rgb(c, kBad[0], kBad[1], kBad[2]);
        cairo_set_line_width(c, 0.6);
        cairo_move_to(c, kMargin, y(*r.integrated));
        cairo_rel_line_to(c, w, 0);
        cairo_stroke(c);
    }
    paper.gap(h + 6);
}

}  // namespace

std::string deliveryPdf(const std::vector<DeliveryReport>& reports, const std::string& session) {
    std::string bytes;
    {
        Paper paper(bytes);
        paper.title(session + ": delivery");
        paper.write(session, "Inter Semi-Bold 18", kInk);
        paper.gap(4);
        paper.write(deliverySummary(reports), "Inter 10", kInk);
        for (const auto& r : reports) {
            paper.gap(16);
            paper.need(170);
            paper.write((r.heldBack ? "Held back: " : "") + r.path.filename().string(), "Inter Semi-Bold 12",
                        r.heldBack ? kBad : kInk);
            paper.write(r.reel + ", " + r.name + ": " + r.format + ", " + formatTime(r.duration), "Inter 9", kQuiet);
            paper.gap(5);
            const DeliveryFigures f(r);
            const std::pair<const char*, const std::string*> facts[] = {{"Loudness", &f.loudness},
                                                                        {"Range", &f.range},
                                                                        {"True peak", &f.truePeak},
                                                                        {"Gain", &f.gain},
                                                                        {"Noise floor", &f.noise}};
            const double places[] = {0, 170, 225, 295, 385};
            for (size_t i = 0; i < 5; ++i)
                paper.write(facts[i].first, "Inter 7.5", kQuiet, kMargin + places[i], 160, false);
            paper.gap(10);
            for (size_t i = 0; i < 5; ++i)
                paper.write(*facts[i].second, "Inter 9", kInk, kMargin + places[i], 160, false);
            paper.gap(17);
            plot(paper, r);
            for (const auto& check : r.checks)
                paper.write((check.passed ? "✓ " : "✗ ") + check.name + ": " + check.detail, "Inter 8.5",
                            check.passed ? kInk : kBad);
            for (const auto& sum : r.sha256) paper.write("SHA-256 " + sum, "Inter 6.5", kQuiet);
        }
        paper.gap(16);
        paper.write(
            std::string(kHowMeasured) +
                " In each picture: waveform, short-term loudness from -50 to 0 LUFS (dark), integrated loudness (red).",
            "Inter 8", kQuiet);
    }
    return bytes;
}

}  // namespace rivlen
