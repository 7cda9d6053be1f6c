#include "app/words/Say.h"

#include <QFile>
#include <QHash>
#include <QRegularExpression>

#include "app/words/Language.h"

namespace rivlen {

namespace {

struct Pattern {
    QString english;
    QRegularExpression form;
    QList<int> holes;   ///< the number of each of its values, in order
    QList<bool> named;  ///< they stand in quotation marks
    int letters = 0;    ///< of it that are its own
};

Pattern makePattern(const QString& english) {
    Pattern p{english, {}, {}, {}, 0};
    QString form;
    for (qsizetype i = 0; i < english.size(); ++i) {
        if (english[i] == '%' && i + 1 < english.size() && english[i + 1].isDigit()) {
            p.holes << english[i + 1].digitValue();
            p.named << (i > 0 && english[i - 1] == '"');
            form += i + 2 == english.size() ? "(.*)" : "(.*?)";
            ++i;
        } else {
            form += QRegularExpression::escape(QString(english[i]));
            p.letters += english[i].isLetter();
        }
    }
    p.form =
        QRegularExpression(QRegularExpression::anchoredPattern(form), QRegularExpression::DotMatchesEverythingOption);
    return p;
}

QList<Pattern> readPatterns() {
    QList<Pattern> patterns;
    QFile file(language::folder() + "/core.txt");
    if (!file.open(QIODevice::ReadOnly)) return patterns;
    for (const QString& line : QString::fromUtf8(file.readAll()).split('\n'))
        if (line.contains('%')) patterns << makePattern(QString(line).replace("\\n", "\n"));
    std::ranges::stable_sort(patterns, std::greater(), &Pattern::letters);
    return patterns;
}

QString filled(const QString& text, const QHash<int, QString>& values) {
    QString out;
    for (qsizetype i = 0; i < text.size(); ++i) {
        if (text[i] == '%' && i + 1 < text.size() && text[i + 1].isDigit()) out += values.value(text[++i].digitValue());
        else out += text[i];
    }
    return out;
}

}  // namespace

QString said(const QString& english) {
    if (english.isEmpty() || language::isEnglish()) return english;
    if (const QString exact = qtTrId(english.toUtf8().constData()); exact != english) return exact;
    // A title that English wrote small in the middle of a sentence.
    QString title = english;
    title[0] = title[0].toUpper();
    if (const QString exact = qtTrId(title.toUtf8().constData()); exact != title) return exact;
    static const QList<Pattern> patterns = readPatterns();
    for (const Pattern& p : patterns) {
        const auto match = p.form.match(english);
        if (!match.hasMatch()) continue;
        const QString text = qtTrId(p.english.toUtf8().constData());
        if (text == p.english) continue;
        QHash<int, QString> values;
        for (int k = 0; k < p.holes.size(); ++k) {
            const QString value = match.captured(k + 1);
            values[p.holes[k]] = p.named[k] ? value : said(value);
        }
        return filled(text, values);
    }
    return english;
}

QString within(const QString& title) { return language::isEnglish() ? title.toLower() : title; }

}  // namespace rivlen
