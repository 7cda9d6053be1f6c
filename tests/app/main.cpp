#include <QApplication>
#include <QStandardPaths>

#include "Main.h"
#include "app/widgets/Theme.h"

int main(int argc, char** argv) {
    QApplication app(argc, argv);
    QApplication::setApplicationName("rivlen-test");
    QApplication::setOrganizationName("rivlen");
    QStandardPaths::setTestModeEnabled(true);
    rivlen::theme::apply();
    return rivlen::test::runAll(argc, argv);
}
