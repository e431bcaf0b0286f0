// SPDX-License-Identifier: GPL-3.0-or-later
#include "methods/unet/network.h"

#include <dnnl.hpp>
#include <omp.h>

#include <algorithm>
#include <cmath>
#include <functional>
#include <map>
#include <unordered_map>

namespace irenic::unet {

namespace {

using Md = dnnl::memory::desc;
using Tag = dnnl::memory::format_tag;

// oneDNN 2 (Debian 12) and 3 (Debian 13) differ in how descriptions are made.
void appendRelu(dnnl::post_ops &ops)
{
#if DNNL_VERSION_MAJOR >= 3
    ops.append_eltwise(dnnl::algorithm::eltwise_relu, 0.f, 0.f);
#else
    ops.append_eltwise(1.f, dnnl::algorithm::eltwise_relu, 0.f, 0.f);
#endif
}

dnnl::convolution_forward::primitive_desc convolution(const dnnl::engine &engine, const Md &from, const Md &kernel, const Md &to, const dnnl::memory::dims &strides,
                                                      const dnnl::memory::dims &before, const dnnl::memory::dims &behind, const dnnl::primitive_attr &attributes)
{
    constexpr auto kKind = dnnl::prop_kind::forward_inference;
    constexpr auto kHow = dnnl::algorithm::convolution_direct;
#if DNNL_VERSION_MAJOR >= 3
    return {engine, kKind, kHow, from, kernel, to, strides, before, behind, attributes};
#else
    return {{kKind, kHow, from, kernel, to, strides, before, behind}, attributes, engine};
#endif
}

constexpr int paddedChannels(int channels)
{
    return (channels + 15) / 16 * 16;
}

constexpr double kMostWork = 4e8; ///< multiplications between two looks at whether to stop: ten to twenty milliseconds

Md activations(Size size, int channels)
{
    return {{1, channels, size.height, size.width}, dnnl::memory::data_type::f32, Tag::nhwc};
}

/// What is done to a convolution's sums.
enum class After {
    Nothing,
    Relu,
    AddAndRelu,
}; ///< the last adds what the destination held

struct Step {
    dnnl::convolution_forward primitive;
    std::unordered_map<int, dnnl::memory> arguments;
    std::function<void()> after = {}; ///< what is no convolution
};

/// oneDNN's threads: tiles are the parallel work here. Of the calling thread alone.
class OneThread
{
public:
    OneThread() : m_before(omp_get_max_threads()) { omp_set_num_threads(1); }
    ~OneThread() { omp_set_num_threads(m_before); }

private:
    int m_before;
};

Size halved(Size s)
{
    return {s.width / 2, s.height / 2};
}

/// Of a level of the network: its size, and what its edges have lost of that where nobody asks for it any more.
struct Level {
    Size size;
    int crop = 0;
    Size left() const { return {size.width - 2 * crop, size.height - 2 * crop}; }
};

/// Takes `crop` off every edge, from the start of `data` on.
void cut(float *data, Size size, int crop, int channels)
{
    const size_t n = size_t(channels);
    const Size left = Level{size, crop}.left();
    for (int y = 0; y < left.height; ++y) {
        const float *from = data + (size_t(y + crop) * size_t(size.width) + size_t(crop)) * n; // never before where it goes
        std::copy_n(from, size_t(left.width) * n, data + size_t(y) * size_t(left.width) * n);
    }
}

/// Nearest neighbours of a level of half the size, added to what `data` holds of `to.size`; the larger of that and 0 in `to.left()`, from the start of `data` on.
void addGrownAndRelu(const float *half, const Level &from, const Level &to, int channels, float *data)
{
    const size_t n = size_t(channels);
    const Size stored = from.left(), left = to.left();
    for (int y = 0; y < left.height; ++y)
        for (int x = 0; x < left.width; ++x) {
            const int u = x + to.crop, v = y + to.crop;
            const float *grown = half + (size_t(v / 2 - from.crop) * size_t(stored.width) + size_t(u / 2 - from.crop)) * n;
            const float *held = data + (size_t(v) * size_t(to.size.width) + size_t(u)) * n; // never before `out`
            float *out = data + (size_t(y) * size_t(left.width) + size_t(x)) * n;
            for (size_t c = 0; c < n; ++c)
                out[c] = std::max(0.f, held[c] + grown[c]);
        }
}

} // namespace

struct Network::Private {
    const Weights &weights;
    dnnl::engine engine{dnnl::engine::kind::cpu, 0};
    dnnl::stream stream{engine};
    std::vector<std::vector<dnnl::memory>> kernels; ///< of each layer: plain, channels padded with zeros; and as primitives asked for it

    using Buffer = size_t;
    /// Of all plans, one for every level; behind them `work`, which holds what is needed from one step to the next: the input, the inner half of a block,
    /// what is to grow, the answer.
    std::vector<std::vector<float>> buffers;
    const Buffer work;
    std::map<std::array<int, 3>, std::vector<Step>> plans; ///< by the size of the tile and its margin

    explicit Private(const Weights &w) : weights(w), buffers(w.shape.widths.size() + 1), work(w.shape.widths.size())
    {
        for (const Convolution &c : w.layers) {
            const int inputs = paddedChannels(c.inputs), outputs = paddedChannels(c.outputs), area = c.side * c.side;
            dnnl::memory m({{outputs, inputs, c.side, c.side}, dnnl::memory::data_type::f32, Tag::oihw}, engine);
            auto *to = static_cast<float *>(m.get_data_handle());
            std::fill_n(to, size_t(outputs) * size_t(inputs) * size_t(area), 0.f);
            for (int o = 0; o < c.outputs; ++o)
                for (int i = 0; i < c.inputs; ++i)
                    std::copy_n(c.weights.data() + (o * c.inputs + i) * area, area, to + (o * inputs + i) * area);
            kernels.push_back({std::move(m)});
        }
    }

    /// A layer's numbers in the order that a primitive asks for.
    const dnnl::memory &kernel(size_t layer, const Md &wanted)
    {
        std::vector<dnnl::memory> &all = kernels[layer];
        const auto found = std::find_if(all.begin(), all.end(), [&](const dnnl::memory &m) { return m.get_desc() == wanted; });
        if (found != all.end())
            return *found;
        dnnl::memory made(wanted, engine);
        dnnl::reorder(all.front(), made).execute(stream, all.front(), made);
        return all.emplace_back(std::move(made));
    }

    /// A convolution in bands of rows, so that none keeps who wants to stop waiting.
    void addConvolution(std::vector<Step> &steps, size_t layer, Buffer from, Size fromSize, Buffer to, After after)
    {
        const Convolution &c = weights.layers[layer];
        const Size toSize = c.side == 2 ? halved(fromSize) : fromSize;
        const double rowsWork = double(toSize.width) * paddedChannels(c.inputs) * paddedChannels(c.outputs) * c.side * c.side;
        const int bands = std::clamp(int(std::ceil(rowsWork * toSize.height / kMostWork)), 1, toSize.height);
        for (int i = 0; i < bands; ++i)
            steps.push_back(band(layer, from, fromSize, to, after, toSize.height * i / bands, toSize.height * (i + 1) / bands));
    }

    /// Rows `first` to `last` - 1 of what a convolution makes.
    Step band(size_t layer, Buffer from, Size fromSize, Buffer to, After after, int first, int last)
    {
        const Convolution &c = weights.layers[layer];
        const int inputs = paddedChannels(c.inputs), outputs = paddedChannels(c.outputs);
        const int stride = c.side == 2 ? 2 : 1, padding = c.side == 3 ? 1 : 0;
        const int above = first > 0 ? padding : 0, below = last * stride < fromSize.height ? padding : 0; // rows that are there
        const int firstFrom = first * stride - above;
        const Size fromBand{fromSize.width, last * stride + below - firstFrom}, toBand{fromSize.width / stride, last - first};
        const Md fromMd = activations(fromBand, inputs), toMd = activations(toBand, outputs);
        const Md kernelMd({outputs, inputs, c.side, c.side}, dnnl::memory::data_type::f32, Tag::any);
        dnnl::post_ops ops;
        if (after == After::AddAndRelu)
            ops.append_sum(1.f);
        if (after != After::Nothing)
            appendRelu(ops);
        dnnl::primitive_attr attributes;
        attributes.set_post_ops(ops);
        // Direct: sums in one order wherever a sample lies, so that tiles agree to the last bit.
        const auto description = convolution(engine, fromMd, kernelMd, toMd, {stride, stride}, {padding - above, padding}, {padding - below, padding}, attributes);
        return {dnnl::convolution_forward(description),
                {{DNNL_ARG_SRC, dnnl::memory(fromMd, engine, buffers[from].data() + size_t(firstFrom) * size_t(fromSize.width) * size_t(inputs))},
                 {DNNL_ARG_WEIGHTS, kernel(layer, description.weights_desc())},
                 {DNNL_ARG_DST, dnnl::memory(toMd, engine, buffers[to].data() + size_t(first) * size_t(toBand.width) * size_t(outputs))}}};
    }

    /// What the answer has lost at its edges: all of the margin but what the last convolutions reach.
    int answersCrop(int margin) const { return std::max(0, margin - 2 * weights.shape.depths[0] - 1); }

    const std::vector<Step> &planFor(Size size, int margin)
    {
        const std::array key{size.width, size.height, margin};
        const auto found = plans.find(key);
        if (found != plans.end())
            return found->second;
        constexpr size_t kMostPlans = 12;
        if (plans.size() >= kMostPlans)
            plans.clear();
        const Shape &shape = weights.shape;
        const size_t last = shape.last();
        // Of every level as it is left on the way up: what later convolutions reach stays.
        std::vector<Level> levels{{size, answersCrop(margin)}};
        for (size_t i = 1; i <= last; ++i)
            levels.push_back({halved(levels.back().size), std::max(0, levels.back().crop / 2 - 2 * shape.depthUp(i))});
        const auto reserve = [&](Buffer buffer, Size s, int channels) {
            const size_t needed = size_t(s.area()) * size_t(channels);
            if (buffers[buffer].size() >= needed)
                return;
            plans.clear(); // they point into what is about to move
            buffers[buffer].resize(needed);
        };
        for (size_t i = 0; i <= last; ++i) {
            reserve(i, levels[i].size, shape.widths[i]);
            reserve(work, levels[i].size, std::max(shape.widths[i], i == 0 ? kChannels : 0));
        }
        std::vector<Step> &steps = plans[key];
        // In the order of Shape::layers().
        size_t layer = 0;
        const auto add = [&](Buffer from, Size s, Buffer to, After after = After::Relu) { addConvolution(steps, layer++, from, s, to, after); };
        // Each reaches two places further, and before it that much must be left of what is not to be cropped.
        const auto blocks = [&](size_t level, int count, Level is, int crop) {
            for (int left = count;; --left) {
                const Level next{is.size, std::max(is.crop, crop - 2 * left)};
                if (const int by = next.crop - is.crop)
                    steps.back().after = [this, level, s = is.left(), by, channels = shape.widths[level]] { cut(buffers[level].data(), s, by, channels); };
                is = next;
                if (left == 0)
                    return;
                add(level, is.left(), work);
                add(work, is.left(), level, After::AddAndRelu);
            }
        };
        add(work, size, 0);
        for (size_t i = 0; i < last; ++i) {
            blocks(i, shape.depths[i], {levels[i].size}, 0);
            add(i, levels[i].size, i + 1);
        }
        blocks(last, shape.depths[last], {levels[last].size}, levels[last].crop);
        for (size_t i = last; i-- > 0;) {
            add(i + 1, levels[i + 1].left(), work, After::Nothing);
            steps.back().after = [this, i, from = levels[i + 1], to = levels[i], channels = shape.widths[i]] { addGrownAndRelu(buffers[work].data(), from, to, channels, buffers[i].data()); };
            blocks(i, shape.depthUp(i), levels[i], levels[i].crop);
        }
        add(0, levels[0].left(), work, After::Nothing);
        return steps;
    }
};

Network::Network(const Weights &weights) : d(std::make_unique<Private>(weights)) {}
Network::~Network() = default;

float *Network::input(Size size, int margin)
{
    const OneThread one;
    d->planFor(size, margin);
    return d->buffers[d->work].data();
}

std::optional<Network::Answer> Network::run(Size size, int margin, const std::stop_token &stop)
{
    assert(size.width % d->weights.shape.alignment() == 0 && size.height % d->weights.shape.alignment() == 0 && 2 * margin < std::min(size.width, size.height));
    const OneThread one;
    for (const Step &step : d->planFor(size, margin)) {
        if (stop.stop_requested())
            return std::nullopt;
        step.primitive.execute(d->stream, step.arguments);
        if (step.after)
            step.after();
    }
    const int crop = d->answersCrop(margin);
    return Answer{d->buffers[d->work].data(), size.width - 2 * crop, crop};
}

} // namespace irenic::unet
