// Runs the test cases a program is made of.
#pragma once

/// The exit code the test framework gives for these arguments.
int runCatch(int argc, char** argv);
