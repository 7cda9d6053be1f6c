#include <QApplication>
#include <QStandardPaths>

#include "Main.h"
#include "app/widgets/Theme.h"

int main(int argc, char** argv) {
    QApplication app(argc, argv);
    QApplication::setApplicationName("rivlen-test");
    QApplication::setOrganizationName("rivlen");
    // Folders of its own, where none are given: two halves of the tests run side by side.
    QStandardPaths::setTestModeEnabled(!qEnvironmentVariableIsSet("XDG_CONFIG_HOME"));
    qputenv("RIVLEN_LANGUAGE", "en");  // whatever the machine speaks
    rivlen::theme::apply();
    return rivlen::test::runAll(argc, argv);
}
