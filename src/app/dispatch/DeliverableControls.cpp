#include "app/dispatch/DeliverableControls.h"

#include <QFileDialog>
#include <QInputDialog>
#include <QMenu>
#include <QRegularExpression>

#include "app/widgets/AskFolder.h"
#include "app/widgets/PanelParts.h"
#include "app/words/Say.h"
#include "core/media/Timecode.h"

namespace rivlen {

DeliverableControls::DeliverableControls(Document& document, Reels& reels, DeliverablesDesk& desk,
                                         DispatchDesk& dispatch, QWidget* parent)
    : QWidget(parent), m_document(document), m_reels(reels), m_desk(desk), m_dispatch(dispatch) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 6, 0, 0);
    column->setSpacing(6);
    buildTop(column);
    buildRecipe(column);
    connectRecipe();
    connect(&m_desk, &DeliverablesDesk::changed, this, &DeliverableControls::refresh);
    refresh();
}

void DeliverableControls::buildTop(QBoxLayout* column) {
    auto* top = new QHBoxLayout;
    auto* sets =
        makeSmallButton("deliverysets", say("Sets"), say("Deliverables for common destinations, and sets of your own"));
    m_sets = new QMenu(sets);
    m_sets->setToolTipsVisible(true);
    connect(m_sets, &QMenu::aboutToShow, this, &DeliverableControls::buildSets);
    sets->setMenu(m_sets);
    auto* add = makeSmallButton("adddeliverable", say("Add"), say("Another one, like the chosen one"));
    auto* remove = makeSmallButton("removedeliverable", say("Remove"), say("Takes the chosen one out of the session"));
    for (auto* b : {sets, add, remove}) top->addWidget(b);
    top->addStretch();
    column->addLayout(top);
    m_of = addPageHeading(column, "");
    m_of->setObjectName("recipeof");
    connect(add, &QPushButton::clicked, &m_desk, &DeliverablesDesk::add);
    connect(remove, &QPushButton::clicked, &m_desk, &DeliverablesDesk::remove);
}

void DeliverableControls::buildSets() {
    m_sets->clear();
    const auto add = [this](const DeliverySet& set) {
        QAction* a = m_sets->addAction(said(set.name), this, [this, set] { m_desk.useSet(set); });
        a->setToolTip(said(set.purpose));
    };
    for (const auto& set : shippedDeliveries()) add(set);
    if (const auto own = ownDeliverySets(); !own.empty()) {
        m_sets->addSeparator();
        for (const auto& set : own) add(set);
    }
    m_sets->addSeparator();
    m_sets->addAction(say("Keep as a set…"), this, [this] {
        bool good = false;
        if (const QString name =
                QInputDialog::getText(this, say("Keep as a set"), say("Name of the set"), QLineEdit::Normal, {}, &good);
            good)
            m_desk.keepSet(name);
    });
    m_sets->addAction(say("Read a set from a file…"), this, [this] {
        if (const QString file = QFileDialog::getOpenFileName(this, say("Read a set"), {}, say("Sets (*.json)"));
            !file.isEmpty())
            m_desk.readSet(file);
    });
    m_sets->addAction(say("Write the set to a file…"), this, [this] {
        if (const QString file =
                QFileDialog::getSaveFileName(this, say("Write the set"), "set.json", say("Sets (*.json)"));
            !file.isEmpty())
            m_desk.writeSet(file);
    });
}

void DeliverableControls::buildRecipe(QBoxLayout* column) {
    auto* grid = new QGridLayout;
    grid->setVerticalSpacing(4);
    grid->setColumnStretch(1, 1);
    int row = 0;
    const auto named = [](QWidget* w, const QString& label, const char* name, const QString& tip) {
        w->setObjectName(name);
        w->setAccessibleName(label);
        w->setToolTip(tip);
        return w;
    };
    const auto place = [&](const QString& label, std::initializer_list<QWidget*> widgets) {
        auto* line = new QHBoxLayout;
        line->setSpacing(4);
        for (QWidget* w : widgets) line->addWidget(w, w == *widgets.begin() ? 1 : 0);
        auto* text = new QLabel(label);
        grid->addWidget(text, row, 0);
        grid->addLayout(line, row++, 1);
        return text;
    };
    place(say("Name"), {named(m_name = new QLineEdit, say("Name"), "deliveryname", say("Unique in the session"))});
    m_holds = new QComboBox;
    for (const auto& c : deliveryContents()) {
        m_holds->addItem(said(c.name), c.id);
        m_holds->setItemData(m_holds->count() - 1, said(c.explanation), Qt::ToolTipRole);
    }
    place(say("Holds"), {named(m_holds, say("Holds"), "holds", say("Which lanes of the rebuild"))});
    m_strength = new QComboBox;
    m_strength->addItem(say("the reel's own"), "");
    for (const auto& s : deliveryStrengths()) m_strength->addItem(said(s.name), s.id);
    for (char c = 'A'; c < 'A' + kCandidates; ++c) m_strength->addItem(say("candidate %1").arg(c), QString(c));
    place(say("Strength"),
          {named(m_strength, say("Strength"), "strength",
                 say("At which strength the stems are: natural and fully isolated versions of the same reel"))});
    m_loop = makeSmallButton("spanloop", say("Loop"), say("Takes the reel's loop"));
    place(say("Span"), {named(m_span = new QLineEdit, say("Span"), "span",
                              say("From and to, as 0:05 - 0:12.5; empty: the whole reel")),
                        m_loop});
    m_measured = new QComboBox;
    m_measured->addItem(say("of all"), false);
    m_measured->addItem(say("of speech"), true);
    place(say("Loudness"),
          {named(m_loudness = new QLineEdit, say("Loudness"), "loudness",
                 say("LUFS integrated that it is brought to (EBU R 128 asks for -23); empty: as it is")),
           named(m_measured, say("Measured"), "measured",
                 say("Of the whole (ITU-R BS.1770), or only where somebody speaks"))});
    place(say("Ceiling"), {named(m_ceiling = new QLineEdit, say("Ceiling"), "ceiling",
                                 say("dBTP that no peak may pass; a limiter holds it where it must"))});
    m_format = new QComboBox;
    for (const auto& f : storageTable()) {
        const bool depths = f.lossless && f.storage != Storage::Flac && !f.picture;
        if (!f.lossless) m_format->addItem(said(f.name), QVariantList{f.id, 24});
        else
            for (int bits : {16, 24, 32})
                if (bits < 32 || depths)
                    m_format->addItem(QString("%1, %2").arg(said(f.name),
                                                            bits == 32 ? say("32-bit float") : say("%1 bit").arg(bits)),
                                      QVariantList{f.id, bits});
    }
    m_format->setMinimumContentsLength(12);
    place(say("Format"),
          {named(m_format, say("Format"), "deliveryformat",
                 say("Lossy ones are for listening only; a picture is copied as it is, with the new sound"))});
    m_rate = new QComboBox;
    m_rate->addItem(say("own rate"), 0);
    for (int rate : {44100, 48000, 88200, 96000, 176400, 192000})
        m_rate->addItem(QString("%1 kHz").arg(rate / 1000.0), rate);
    m_layout = new QComboBox;
    for (const auto& l : channelLayouts())
        m_layout->addItem(l.layout == ChannelLayout::Own ? say("own channels") : QString(l.name), int(l.layout));
    place(say("Sound"),
          {named(m_rate, say("Rate"), "deliveryrate", say("Sample rate of the file")),
           named(m_layout, say("Channels"), "deliverylayout",
                 say("Which channels the file has: down-mixes after ITU-R BS.775; going up nothing is invented"))});
    m_dither = new QComboBox;
    m_dither->addItems({say("dithered"), say("noise shaped"), "rounded"});
    m_mono = new QCheckBox(say("mono files"));
    m_language = new QLineEdit;
    m_language->setPlaceholderText("language");
    m_keep = new QCheckBox(say("keep original sound"));
    m_more = new QStackedWidget;
    m_more->setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Fixed);
    const auto page = [&](QWidget* a, QWidget* b) {
        auto* w = new QWidget;
        auto* line = new QHBoxLayout(w);
        line->setContentsMargins(0, 0, 0, 0);
        line->addWidget(a, 1);
        line->addWidget(b);
        m_more->addWidget(w);
    };
    page(named(m_dither, say("Dither"), "dither",
               say("What happens to what falls under the last bit of 16 and 24 bits")),
         named(m_mono, say("Mono files"), "monofiles", say("A file for each channel, as name.L.wav and name.R.wav")));
    page(named(m_language, say("Language"), "language", say("Of the new sound, by ISO 639-2: eng, deu, fin ...")),
         named(m_keep, say("Keep original sound"), "keeporiginal",
               say("The recording's own sound comes along as a second track")));
    m_moreLabel = place(say("Bits"), {m_more});
    QStringList tokens;
    for (const auto& [token, what] : fileNameTokens()) tokens << QString("{%1}: %2").arg(token, what);
    place(say("File name"),
          {named(m_file = new QLineEdit, say("File name"), "filename", say("Tokens:\n") + tokens.join("\n"))});
    column->addLayout(grid);
    m_preview = addPageText(column);
    m_preview->setObjectName("filepreview");
    auto* go = new QHBoxLayout;
    m_go = new QPushButton(say("Dispatch…"));
    m_go->setObjectName("dispatch");
    m_go->setToolTip(
        say("Chooses a folder, makes the ticked deliverables, checks them and writes a report beside them; nothing is "
            "overwritten"));
    go->addWidget(m_go, 1);
    column->addLayout(go);
    column->addStretch();
}

template <typename Set>
void DeliverableControls::typed(QLineEdit* box, const QString& name, Set set) {
    connect(box, &QLineEdit::editingFinished, this, [this, box, name, set] {
        if (!box->isModified()) return;
        box->setModified(false);
        const QString text = box->text().trimmed();
        const auto change = [&](Deliverable& d) { set(d, text); };
        if (box == m_name) m_desk.editChosen(name, change);
        else m_desk.edit(name, change);
        refresh();
    });
}

template <typename Set>
void DeliverableControls::picked(QComboBox* box, const QString& name, Set set) {
    connect(box, &QComboBox::activated, this,
            [this, box, name, set](int i) { m_desk.edit(name, [&](Deliverable& d) { set(d, box->itemData(i)); }); });
}

void DeliverableControls::connectRecipe() {
    typed(m_name, say("Name deliverable"), [this](Deliverable& d, const QString& t) {
        for (const auto& other : m_desk.deliverables())
            if (other.name == t.toStdString() && other.name != d.name)
                return m_desk.tell(say("There is a deliverable \"%1\" already: choose another name.").arg(t));
        if (!t.isEmpty()) d.name = t.toStdString();
    });
    typed(m_file, say("File name"), [](Deliverable& d, const QString& t) { d.fileName = t.toStdString(); });
    typed(m_loudness, say("Loudness"), [this](Deliverable& d, const QString& t) {
        if (t.isEmpty()) return d.loudness.reset();
        if (const auto v = figure(t, -60, 0, say("Loudness"))) d.loudness = *v;
    });
    typed(m_ceiling, say("Ceiling"), [this](Deliverable& d, const QString& t) {
        if (const auto v = figure(t, -30, 0, say("Ceiling"))) d.ceiling = *v;
    });
    typed(m_span, say("Span"), [this](Deliverable& d, const QString& t) {
        if (t.isEmpty()) return d.span.reset();
        if (const auto s = span(t)) d.span = s;
    });
    typed(m_language, say("Language"), [this](Deliverable& d, const QString& t) {
        if (t.isEmpty() || QRegularExpression("^[a-z]{3}$").match(t.toLower()).hasMatch())
            d.language = t.toLower().toStdString();
        else m_desk.tell(say("\"%1\" is no language: give three letters of ISO 639-2, as eng.").arg(t));
    });
    picked(m_holds, say("What it holds"),
           [](Deliverable& d, const QVariant& v) { d.holds = v.toString().toStdString(); });
    picked(m_strength, say("Strength"),
           [](Deliverable& d, const QVariant& v) { d.candidate = v.toString().toStdString(); });
    picked(m_rate, say("Rate"), [](Deliverable& d, const QVariant& v) { d.sampleRate = v.toInt(); });
    picked(m_layout, say("Channels"), [](Deliverable& d, const QVariant& v) { d.layout = ChannelLayout(v.toInt()); });
    picked(m_measured, say("What is measured"),
           [](Deliverable& d, const QVariant& v) { d.dialogueGated = v.toBool(); });
    connect(m_dither, &QComboBox::activated, this,
            [this](int i) { m_desk.edit(say("Dither"), [&](Deliverable& d) { d.dither = Dither(i); }); });
    connect(m_mono, &QCheckBox::clicked, this,
            [this](bool on) { m_desk.edit(say("Mono files"), [&](Deliverable& d) { d.monoFiles = on; }); });
    connect(m_keep, &QCheckBox::clicked, this,
            [this](bool on) { m_desk.edit(say("Keep original sound"), [&](Deliverable& d) { d.keepOriginal = on; }); });
    picked(m_format, say("Format"), [](Deliverable& d, const QVariant& v) {
        for (const auto& f : storageTable())
            if (v.toList()[0].toString() == f.id) d.storage = f.storage;
        if (d.storage == Storage::Adm) d.layout = ChannelLayout::Own, d.monoFiles = false;  // its bed is the mix's
        d.bits = v.toList()[1].toInt();
    });
    connect(m_loop, &QPushButton::clicked, this, [this] {
        const Reel* reel = m_document.reel();
        if (reel && reel->loop) m_desk.edit(say("Span"), [&](Deliverable& d) { d.span = reel->loop; });
        else m_desk.tell(say("The reel has no loop: drag one over the picture first."));
    });
    connect(m_go, &QPushButton::clicked, this, [this] {
        if (const QString folder = askFolder(this, say("Dispatch to"), "dispatch"); !folder.isEmpty()) {
            m_dispatch.dispatch(folder, m_desk.allReels());
            if (m_dispatch.busy()) emit dispatched();
        }
    });
}

std::optional<double> DeliverableControls::figure(QString text, double low, double high, const QString& name) {
    text.remove("LUFS").remove("dBTP");
    bool good = false;
    const double v = text.trimmed().toDouble(&good);
    if (good && v >= low && v <= high) return v;
    m_desk.tell(say("\"%1\" is not a value for %2: give %3 to %4.").arg(text.trimmed(), name).arg(low).arg(high));
    return std::nullopt;
}

std::optional<std::pair<double, double>> DeliverableControls::span(const QString& text) {
    const QStringList ends = text.split(QRegularExpression("\\s*[-–]\\s*"));
    const ReelFacts* state = m_document.reel() ? m_reels.current() : nullptr;
    const double fps = state && state->info && state->info->picture ? state->info->picture->rate.perSecond() : 25;
    // Minutes and seconds are what people type; parseTime() asks for hours as well.
    const auto time = [&](QString t) { return parseTime((t.count(':') == 1 ? "00:" + t : t).toStdString(), fps); };
    try {
        if (ends.size() == 2)
            if (const double from = time(ends[0]), to = time(ends[1]); to > from) return std::pair(from, to);
    } catch (const Error&) {}
    m_desk.tell(say("\"%1\" is no span: give from and to, as 0:05 - 0:12.5.").arg(text));
    return std::nullopt;
}

void DeliverableControls::showRecipe(const Deliverable& d) {
    const auto show = [](QLineEdit* box, const QString& text) {
        if (!box->hasFocus() || !box->isModified()) box->setText(text);
    };
    const StorageFacts& storage = storageFacts(d.storage);
    show(m_name, QString::fromStdString(d.name));
    show(m_file, QString::fromStdString(d.fileName));
    show(m_loudness, d.loudness ? QString("%1 LUFS").arg(*d.loudness, 0, 'f', 1) : QString());
    m_loudness->setPlaceholderText(say("as it is"));
    show(m_ceiling, QString("%1 dBTP").arg(d.ceiling, 0, 'f', 1));
    m_ceiling->setEnabled(d.loudness.has_value());
    m_measured->setEnabled(d.loudness.has_value());
    m_measured->setCurrentIndex(d.dialogueGated);
    show(m_span,
         d.span ? QString::fromStdString(formatTime(d.span->first) + " - " + formatTime(d.span->second)) : QString());
    m_span->setPlaceholderText(say("whole reel"));
    m_span->setEnabled(!storage.picture);
    m_layout->setEnabled(d.storage != Storage::Adm);
    m_mono->setEnabled(d.storage != Storage::Adm);
    m_loop->setEnabled(!storage.picture);
    show(m_language, QString::fromStdString(d.language));
    m_holds->setCurrentIndex(std::max(0, m_holds->findData(QString::fromStdString(d.holds))));
    m_strength->setCurrentIndex(std::max(0, m_strength->findData(QString::fromStdString(d.candidate))));
    m_rate->setCurrentIndex(std::max(0, m_rate->findData(d.sampleRate)));
    m_layout->setCurrentIndex(int(d.layout));
    m_dither->setCurrentIndex(int(d.dither));
    m_dither->setEnabled(storage.lossless && d.bits < 32);
    m_mono->setChecked(d.monoFiles);
    m_keep->setChecked(d.keepOriginal);
    m_more->setCurrentIndex(storage.picture);
    m_moreLabel->setText(storage.picture ? say("Tracks") : say("Bits"));
    for (int i = 0; i < m_format->count(); ++i) {
        const auto data = m_format->itemData(i).toList();
        if (data[0].toString() == storage.id && (!storage.lossless || data[1].toInt() == d.bits))
            m_format->setCurrentIndex(i);
    }
}

void DeliverableControls::refresh() {
    const auto& all = m_desk.deliverables();
    const size_t selected = m_desk.selected().size();
    m_of->setText(selected > 1 ? say("The recipe of %1 deliverables").arg(selected) : say("The recipe of"));
    m_name->setEnabled(selected <= 1);
    if (m_desk.chosen() >= 0 && m_desk.chosen() < int(all.size())) showRecipe(all[size_t(m_desk.chosen())]);
    m_preview->setText(m_desk.preview());
    m_go->setEnabled(m_document.reel() != nullptr);
}

}  // namespace rivlen
