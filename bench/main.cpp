// SPDX-License-Identifier: GPL-3.0-or-later
// irenic-bench: what the methods reach and what they cost.
#include "benches.h"

#include <CLI/CLI.hpp>

int main(int argc, char **argv)
{
    using namespace irenic::bench;
    CLI::App app{"Measures the quality and speed of the methods on simulated frames.", "irenic-bench"};
    app.require_subcommand(1);
    QualityArguments q;
    CLI::App *quality = app.add_subcommand("quality", "PSNR, SSIM and noise left against the truth");
    quality->add_option("scenes", q.scenes, "Clean scenes, PFM or TIFF")->required();
    quality->add_option("--iso", q.isos, "ISO values")->delimiter(',');
    quality->add_option("--strength", q.strengths, "Strengths, for luminance and colour alike")->delimiter(',');
    quality->add_option("--methods", q.methods, "Methods; all where left out")->delimiter(',');
    quality->add_flag("--true-law", q.trueLaw, "Give the methods the sensor's own noise law instead of the measured one");
    quality->add_option("--underexpose", q.underexposeEv, "Less light, in EV");
    quality->add_option("--banding", q.banding, "Row and column offsets, in read-noise sigmas");
    quality->add_option("--chart", q.chart, "SVG of quality against strength and against time, means over all frames");
    quality->add_option("--outside", q.outside, "A command that cleans the same planes with general-purpose libraries, such as bench/baselines.py");
    quality->add_flag("--json", q.json, "One JSON object a line");
    SpeedArguments s;
    CLI::App *speed = app.add_subcommand("speed", "Seconds per frame and per pane");
    speed->add_option("--megapixels", s.megapixels, "Frame sizes")->delimiter(',')->check(CLI::Range(2, 1000));
    speed->add_option("--threads", s.threads, "Thread counts")->delimiter(',');
    speed->add_option("--methods", s.methods, "Methods; all where left out")->delimiter(',');
    speed->add_flag("--exports", s.exports, "Time whole exports, and how well the first tenth predicts the rest");
    speed->add_flag("--opencv", s.opencv, "Time OpenCV's non-local means in the same run, where it was installed at build time");
    CLI::Option *compare = speed->add_option("--compare", s.other, "The irenic-bench of another build: both run by turns, and ratios are told")->check(CLI::ExistingFile)->excludes("--exports")->excludes("--opencv");
    speed->add_option("--rounds", s.rounds, "With --compare: turns of each")->check(CLI::Range(1, 100))->needs(compare);
    speed->add_option("--most", s.most, "With --compare: exit status 1 where this build is slower in every round and in the middle one by more than this ratio")->needs(compare);
    speed->add_flag("--json", s.json, "One JSON object a line");
    TasteArguments t;
    CLI::App *taste = app.add_subcommand("taste", "Detail given back against a plain blend that leaves as much noise");
    taste->add_option("scenes", t.scenes, "Clean scenes, PFM or TIFF")->required();
    taste->add_option("--iso", t.isos, "ISO values")->delimiter(',');
    taste->add_option("--methods", t.methods, "Methods; all where left out")->delimiter(',');
    taste->add_option("--detail", t.amounts, "Amounts of detail")->delimiter(',');
    taste->add_option("--strength", t.strength, "Strength, for luminance and colour alike");
    StopArguments p;
    CLI::App *stop = app.add_subcommand("stop", "How soon every kind of work returns once it is asked to stop");
    stop->add_option("--megapixels", p.megapixels, "Frame size")->capture_default_str();
    stop->add_option("--moments", p.moments, "At how many moments of it each is stopped")->capture_default_str();
    stop->add_option("--only", p.only, "Work whose name holds this");
    stop->add_flag("--json", p.json, "One JSON object a line");
    StagesArguments g;
    CLI::App *stages = app.add_subcommand("stages", "Seconds a megapixel of every stage of a treatment, and of the whole, beside what is predicted");
    stages->add_option("file", g.file, "A photograph")->required();
    stages->add_option("--methods", g.methods, "Methods; all where left out")->delimiter(',');
    stages->add_flag("--json", g.json, "One JSON object a line");
    KindsArguments k;
    const auto addKinds = [&](const char *name, const char *what) {
        CLI::App *sub = app.add_subcommand(name, what);
        sub->add_option("scenes", k.scenes, "Clean scenes, PFM or TIFF")->required();
        sub->add_option("--iso", k.isos, "ISO values")->delimiter(',');
        sub->add_option("--kinds", k.kinds, "Kinds of frames; all where left out")->delimiter(',');
        return sub;
    };
    const CLI::App *law = addKinds("law", "Measured noise and bad pixels against the sensor's, for every kind of frame");
    CLI::App *kinds = addKinds("kinds", "What the suggested treatment gains over the untreated picture, for every kind of frame");
    kinds->add_option("--method", k.method, "At its own suggestion, in place of the suggested method");
    kinds->add_option("--strengths", k.strengths, "Of luminance and colour, in place of the suggested ones")->delimiter(',')->expected(2);
    kinds->add_flag("--each", k.each, "A line for every frame, on standard error");
    CLI::App *near = addKinds("nearness", "Estimated against true nearness of every method, for every kind of raw frame");
    near->add_flag("--true-law", k.trueLaw, "The sensor's own noise law in place of the measured one");
    near->add_flag("--each", k.each, "A line for every trial, on standard error");
    CLI::App *colours = addKinds("colours", "Developed pictures against the scene itself, in full colour: what demosaicing costs, and what a network's own colours gain");
    colours->add_option("--method", k.method, "One method alone, beside those that give colours");
    colours->add_flag("--true-law", k.trueLaw, "The sensor's own noise law in place of the measured one");
    colours->add_flag("--each", k.each, "A line for every picture, on standard error");
    CLI::App *regret = addKinds("regret", "What suggested strengths and methods lose against the best ones, for every kind of frame");
    regret->add_option("--method", k.method, "One method alone");
    regret->add_flag("--each", k.each, "A line for every frame and method, on standard error");
    CLI11_PARSE(app, argc, argv);
    if (regret->parsed())
        return irenic::bench::regret(k);
    if (colours->parsed())
        return irenic::bench::colours(k);
    if (near->parsed())
        return irenic::bench::nearnessTable(k);
    if (law->parsed())
        return irenic::bench::law(k);
    if (kinds->parsed())
        return irenic::bench::kindsTable(k);
    if (stages->parsed())
        return irenic::bench::stages(g);
    if (stop->parsed())
        return irenic::bench::stop(p);
    if (taste->parsed())
        return irenic::bench::taste(t);
    return quality->parsed() ? irenic::bench::quality(q) : s.other.empty() ? irenic::bench::speed(s)
                                                                           : irenic::bench::compare(s);
}
