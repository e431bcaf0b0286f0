// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QTest>

#include <hwy/highway.h>

namespace irenic::test {

/// Runs all tests of a class once for each kind of vector that this processor has, the widest first: users' processors have others
/// than developers'.
template <class Test>
int runForEveryTarget(int argc, char **argv)
{
    int failed = 0;
    for (const int64_t target : hwy::SupportedAndGeneratedTargets()) {
        hwy::SetSupportedTargetsForTest(target);
        hwy::GetChosenTarget().DeInit(); // chosen anew at the next call
        qInfo("Vectors: %s", hwy::TargetName(target));
        Test test;
        failed += QTest::qExec(&test, argc, argv);
    }
    return failed;
}

} // namespace irenic::test
