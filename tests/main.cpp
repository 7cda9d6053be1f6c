#include "Main.h"

int main(int argc, char** argv) { return rivlen::test::runAll(argc, argv); }
