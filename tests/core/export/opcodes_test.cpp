// SPDX-License-Identifier: GPL-3.0-or-later
#include "export/opcodes.h"

#include <QTest>

using namespace irenic;

namespace {

void add(std::vector<std::byte> &to, uint32_t v)
{
    for (int shift = 24; shift >= 0; shift -= 8)
        to.push_back(std::byte(v >> shift & 0xff));
}

/// A list of opcodes by number and size, their data counting up.
std::vector<std::byte> listOf(const std::vector<std::pair<uint32_t, uint32_t>> &opcodes, uint32_t firstWord = 0)
{
    std::vector<std::byte> out;
    add(out, uint32_t(opcodes.size()));
    for (const auto &[id, bytes] : opcodes) {
        add(out, id);
        add(out, 0x01030000);
        add(out, 1);
        add(out, bytes);
        for (uint32_t i = 0; i < bytes; i += 4)
            add(out, i == 0 && firstWord ? firstWord : i);
    }
    return out;
}

constexpr uint32_t kWarp = 1, kVignette = 3, kBadPixels = 5;

} // namespace

class OpcodesTest : public QObject
{
    Q_OBJECT
private slots:
    void whatWasNotAppliedStaysByteForByte()
    {
        const auto list = listOf({{kWarp, 68}, {kVignette, 56}, {kBadPixels, 12}});
        QVERIFY(opcodesLeft(list, {}) == list);
        QVERIFY(opcodesLeft(list, {.lateral = true}) == list); // the warp has one plane: nothing lateral in it
    }
    void whatWasAppliedGoes()
    {
        const auto list = listOf({{kWarp, 68}, {kVignette, 56}, {kBadPixels, 12}});
        QVERIFY(opcodesLeft(list, {.light = true}) == listOf({{kWarp, 68}, {kBadPixels, 12}}));
        QVERIFY(opcodesLeft(list, {.lateral = true, .straightened = true}) == listOf({{kVignette, 56}, {kBadPixels, 12}}));
        QVERIFY(opcodesLeft(listOf({{kVignette, 56}}), {.light = true}).empty());
    }
    void aWarpOfThreePlanesKeepsItsGreenOne()
    {
        const auto list = listOf({{kWarp, 4 + 3 * 48 + 16}}, 3);
        const auto left = opcodesLeft(list, {.lateral = true});
        QCOMPARE(left.size(), size_t(4 + 16 + 4 + 48 + 16));
        QVERIFY(std::equal(left.begin() + 24, left.begin() + 72, list.begin() + 20 + 4 + 48)); // the second plane
        QVERIFY(std::equal(left.end() - 16, left.end(), list.end() - 16));                     // the centre
        QCOMPARE(int(left[23]), 1);
    }
    void brokenListsAreDropped()
    {
        auto list = listOf({{kWarp, 68}});
        list.resize(list.size() - 9);
        QVERIFY(opcodesLeft(list, {.lateral = true, .light = true}).empty());
        QVERIFY(opcodesLeft({}, {.lateral = true, .light = true}).empty());
    }
};

QTEST_APPLESS_MAIN(OpcodesTest)
#include "opcodes_test.moc"
