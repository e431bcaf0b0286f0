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

    /// Work holds what is needed from one step to the next: the input, the inner half of a block, what is to grow, the answer.
    enum Buffer {
        Full,
        Half,
        Quarter,
        Work,
        kBuffers,
    };
    std::vector<float> buffers[kBuffers];                  ///< of all plans
    std::map<std::array<int, 3>, std::vector<Step>> plans; ///< by the size of the tile and its margin

    explicit Private(const Weights &w) : weights(w)
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
        const Size half = halved(size), quarter = halved(half);
        const auto [a, b, c] = weights.shape.widths;
        const Level top{size, answersCrop(margin)}, middle{half, std::max(0, top.crop / 2 - 2 * weights.shape.depths[1])}, lowest{quarter, middle.crop / 2};
        const auto reserve = [&](Buffer buffer, Size s, int channels) {
            const size_t needed = size_t(s.area()) * size_t(channels);
            if (buffers[buffer].size() >= needed)
                return;
            plans.clear(); // they point into what is about to move
            buffers[buffer].resize(needed);
        };
        reserve(Full, size, a), reserve(Half, half, b), reserve(Quarter, quarter, c);
        reserve(Work, size, std::max(a, kChannels)), reserve(Work, half, b), reserve(Work, quarter, c);
        std::vector<Step> &steps = plans[key];
        // In the order of Shape::layers().
        size_t layer = 0;
        const auto add = [&](Buffer from, Size s, Buffer to, After after = After::Relu) { addConvolution(steps, layer++, from, s, to, after); };
        // Each reaches two places further, and before it that much must be left of what is not to be cropped.
        const auto blocks = [&](size_t level, Buffer at, Level is, int crop) {
            for (int left = weights.shape.depths[level];; --left) {
                const Level next{is.size, std::max(is.crop, crop - 2 * left)};
                if (const int by = next.crop - is.crop)
                    steps.back().after = [this, at, s = is.left(), by, channels = weights.shape.widths[level]] { cut(buffers[at].data(), s, by, channels); };
                is = next;
                if (left == 0)
                    return;
                add(at, is.left(), Work);
                add(Work, is.left(), at, After::AddAndRelu);
            }
        };
        const auto grow = [&](Buffer from, const Level &level, Buffer to, const Level &toLevel, int channels) {
            add(from, level.left(), Work, After::Nothing);
            steps.back().after = [this, to, level, toLevel, channels] { addGrownAndRelu(buffers[Work].data(), level, toLevel, channels, buffers[to].data()); };
        };
        add(Work, size, Full);
        blocks(0, Full, {size}, 0);
        add(Full, size, Half);
        blocks(1, Half, {half}, 0);
        add(Half, half, Quarter);
        blocks(2, Quarter, {quarter}, lowest.crop);
        grow(Quarter, lowest, Half, middle, b);
        blocks(1, Half, middle, middle.crop);
        grow(Half, middle, Full, top, a);
        blocks(0, Full, top, top.crop);
        add(Full, top.left(), Work, After::Nothing);
        return steps;
    }
};

Network::Network(const Weights &weights) : d(std::make_unique<Private>(weights)) {}
Network::~Network() = default;

float *Network::input(Size size, int margin)
{
    const OneThread one;
    d->planFor(size, margin);
    return d->buffers[Private::Work].data();
}

std::optional<Network::Answer> Network::run(Size size, int margin, const std::stop_token &stop)
{
    assert(size.width % kAlignment == 0 && size.height % kAlignment == 0 && 2 * margin < std::min(size.width, size.height));
    const OneThread one;
    for (const Step &step : d->planFor(size, margin)) {
        if (stop.stop_requested())
            return std::nullopt;
        step.primitive.execute(d->stream, step.arguments);
        if (step.after)
            step.after();
    }
    const int crop = d->answersCrop(margin);
    return Answer{d->buffers[Private::Work].data(), size.width - 2 * crop, crop};
}

} // namespace irenic::unet
