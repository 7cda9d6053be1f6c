#include "app/words/Language.h"

#include <QCoreApplication>
#include <QLibraryInfo>
#include <QLocale>
#include <QSettings>
#include <QTranslator>

#include "core/base/Resources.h"

namespace rivlen::language {

namespace {
constexpr const char* kKept = "language";
bool english = true;
}  // namespace

QStringList all() { return {"en", "de"}; }

QString name(const QString& id) { return id == "de" ? "Deutsch" : "English"; }

QString chosen() {
    const QString wish = qEnvironmentVariable("RIVLEN_LANGUAGE"), kept = QSettings().value(kKept).toString();
    for (const QString& id : {wish, kept, QLocale::system().name().left(2)})
        if (all().contains(id)) return id;
    return all().front();
}

void choose(const QString& id) { QSettings().setValue(kKept, id); }

QString folder() {
    namespace fs = std::filesystem;
    const fs::path beside = programFolder() / "translations";
    return QString::fromStdString((fs::exists(beside) ? beside : resourceFolder("translations")).string());
}

void apply(const QString& id) {
    static QTranslator ours, qts;
    QCoreApplication::removeTranslator(&ours);
    QCoreApplication::removeTranslator(&qts);
    english = id == all().front() || !ours.load("rivlen_" + id, folder());
    if (english) return;
    if (qts.load("qtbase_" + id, QLibraryInfo::path(QLibraryInfo::TranslationsPath)))
        QCoreApplication::installTranslator(&qts);
    QCoreApplication::installTranslator(&ours);
}

bool isEnglish() { return english; }

}  // namespace rivlen::language
