// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/output_size_dialog.h"

#include <QDialogButtonBox>
#include <QDoubleSpinBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <QRadioButton>
#include <QSettings>
#include <QSpinBox>

namespace irenic {

namespace {

constexpr double kCmPerInch = 2.54;

} // namespace

OutputSizeDialog::OutputSizeDialog(QSize picture, QWidget *parent) : QDialog(parent), m_picture(picture)
{
    setObjectName(QStringLiteral("outputSize"));
    setWindowTitle(tr("Output size"));
    const QSettings settings;
    auto *column = new QVBoxLayout(this);
    auto *words = new QLabel(tr("Shows the frame as it will be seen at its final size. Noise that is not seen there need not be fought."));
    words->setWordWrap(true);
    column->addWidget(words);
    m_byPixels = new QRadioButton(tr("Long edge"));
    m_pixels = new QSpinBox;
    m_pixels->setObjectName(QStringLiteral("outputPixels"));
    m_pixels->setRange(100, 30000);
    m_pixels->setSingleStep(256);
    m_pixels->setSuffix(tr(" pixels"));
    m_pixels->setValue(settings.value(QStringLiteral("output/pixels"), 2048).toInt());
    m_byPrint = new QRadioButton(tr("Print, long edge"));
    m_cm = new QDoubleSpinBox;
    m_cm->setObjectName(QStringLiteral("outputCm"));
    m_cm->setRange(2, 500);
    m_cm->setDecimals(1);
    m_cm->setSuffix(tr(" cm"));
    m_cm->setValue(settings.value(QStringLiteral("output/cm"), 30).toDouble());
    m_ppi = new QSpinBox;
    m_ppi->setObjectName(QStringLiteral("outputPpi"));
    m_ppi->setRange(30, 1200);
    m_ppi->setSuffix(tr(" pixels per inch"));
    m_ppi->setValue(settings.value(QStringLiteral("output/ppi"), 200).toInt());
    (settings.value(QStringLiteral("output/print"), false).toBool() ? m_byPrint : m_byPixels)->setChecked(true);
    auto *first = new QHBoxLayout, *second = new QHBoxLayout;
    first->addWidget(m_byPixels);
    first->addWidget(m_pixels);
    first->addStretch(1);
    second->addWidget(m_byPrint);
    second->addWidget(m_cm);
    second->addWidget(new QLabel(tr("at")));
    second->addWidget(m_ppi);
    second->addStretch(1);
    column->addLayout(first);
    column->addLayout(second);
    m_words = new QLabel;
    m_words->setObjectName(QStringLiteral("outputWords"));
    column->addWidget(m_words);
    auto *buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel);
    buttons->button(QDialogButtonBox::Ok)->setText(tr("Show"));
    column->addWidget(buttons);
    connect(buttons, &QDialogButtonBox::accepted, this, &QDialog::accept);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    connect(m_pixels, &QSpinBox::valueChanged, this, [this] { m_byPixels->setChecked(true); });
    connect(m_cm, &QDoubleSpinBox::valueChanged, this, [this] { m_byPrint->setChecked(true); });
    connect(m_ppi, &QSpinBox::valueChanged, this, [this] { m_byPrint->setChecked(true); });
    for (QSpinBox *box : {m_pixels, m_ppi})
        connect(box, &QSpinBox::valueChanged, this, &OutputSizeDialog::refresh);
    connect(m_cm, &QDoubleSpinBox::valueChanged, this, &OutputSizeDialog::refresh);
    connect(m_byPixels, &QRadioButton::toggled, this, &OutputSizeDialog::refresh);
    connect(this, &QDialog::accepted, this, [this] {
        QSettings s;
        s.setValue(QStringLiteral("output/pixels"), m_pixels->value());
        s.setValue(QStringLiteral("output/cm"), m_cm->value());
        s.setValue(QStringLiteral("output/ppi"), m_ppi->value());
        s.setValue(QStringLiteral("output/print"), m_byPrint->isChecked());
    });
    refresh();
}

int OutputSizeDialog::longEdgePx() const
{
    return m_byPixels->isChecked() ? m_pixels->value() : qRound(m_cm->value() / kCmPerInch * m_ppi->value());
}

double OutputSizeDialog::zoom() const
{
    return std::min(1.0, double(longEdgePx()) / std::max(1, std::max(m_picture.width(), m_picture.height())));
}

void OutputSizeDialog::refresh()
{
    const int edge = std::max(m_picture.width(), m_picture.height());
    m_words->setText(longEdgePx() >= edge ? tr("The frame has %1 pixels there: every one will be seen, as at 100 %.").arg(edge)
                                          : tr("%1 of %2 pixels: shown at %3 %.").arg(longEdgePx()).arg(edge).arg(100 * zoom(), 0, 'f', 1));
}

} // namespace irenic
