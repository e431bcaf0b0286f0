// SPDX-License-Identifier: GPL-3.0-or-later
#include "chain/tile_grid.h"

#include <QTest>

using namespace irenic;

class TileGridTest : public QObject
{
    Q_OBJECT
private slots:
    void everyThreadHasItsShare_data()
    {
        QTest::addColumn<int>("width");
        QTest::addColumn<int>("height");
        QTest::addColumn<int>("threads");
        for (const int threads : {1, 2, 6, 16, 32}) {
            QTest::addRow("a band of 24 megapixels, %d threads", threads) << 6000 << 2048 << threads;
            QTest::addRow("24 megapixels upright, %d threads", threads) << 4000 << 6000 << threads;
            QTest::addRow("a pane, %d threads", threads) << 600 << 400 << threads;
        }
    }
    void everyThreadHasItsShare()
    {
        QFETCH(int, width);
        QFETCH(int, height);
        QFETCH(int, threads);
        constexpr int kTile = 1024, kHalo = 150;
        const TileGrid g = tileGridFor({width, height}, kTile, kHalo, threads);
        QVERIFY(g.across * g.width >= width && g.down * g.height >= height);
        QVERIFY((g.across - 1) * g.width < width && (g.down - 1) * g.height < height); // none is empty
        QVERIFY(g.width <= 1280 && g.height <= 1280);
        const int tiles = g.across * g.down, rounds = (tiles + threads - 1) / threads;
        if (g.width > 200 || g.height > 200) // below, smaller tiles would be nothing but halo
            QVERIFY2(tiles >= 0.85 * rounds * threads, qPrintable(QStringLiteral("%1 tiles in %2 rounds").arg(tiles).arg(rounds)));
        // As long as it takes on one thread, divided by as many: halos may cost no more than twice that, but for panes.
        if (width > 600) {
            const double ideal = double(width) * height * 1.4 / threads, takes = double(rounds) * (g.width + 2 * kHalo) * (g.height + 2 * kHalo);
            QVERIFY2(takes < 2 * ideal, qPrintable(QStringLiteral("%1 times").arg(takes / ideal)));
        }
    }

    void halosDecideBetweenGridsOfEqualTiles()
    {
        // Four tiles for four threads: columns have more halo than quarters of the region.
        const TileGrid quarters = tileGridFor({1500, 1000}, 1024, 150, 4);
        QVERIFY(quarters.width == 750 && quarters.height == 500);
        const TileGrid whole = tileGridFor({6000, 4000}, 1024, 150, 2);
        QVERIFY(whole.width * whole.height > 1000 * 1000);
    }

    void nothingIsTooSmall()
    {
        const TileGrid one = tileGridFor({40, 7}, 640, 30, 8);
        QVERIFY(one.across == 1 && one.down == 1 && one.width == 40 && one.height == 7);
    }
};

QTEST_APPLESS_MAIN(TileGridTest)
#include "tile_grid_test.moc"
