#include <gtest/gtest.h>

#include <QApplication>
#include <QStandardPaths>

#include "app/Theme.h"

int main(int argc, char** argv) {
    QApplication app(argc, argv);
    QApplication::setApplicationName("rivlen-test");
    QApplication::setOrganizationName("rivlen");
    QStandardPaths::setTestModeEnabled(true);
    rivlen::theme::apply();
    testing::InitGoogleTest(&argc, argv);
    return RUN_ALL_TESTS();
}
