// SPDX-License-Identifier: GPL-3.0-or-later
#include "methods/unet/network.h"

#include <dnnl.hpp>
#include <omp.h>

#include <map>
#include <unordered_map>

namespace irenic::unet {

namespace {

using Md = dnnl::memory::desc;
using Dim = dnnl::memory::dim;
using Tag = dnnl::memory::format_tag;

constexpr int paddedChannels(int channels)
{
    return (channels + 15) / 16 * 16;
}

Md activations(Size size, int channels)
{
    return {{1, channels, size.height, size.width}, dnnl::memory::data_type::f32, Tag::nhwc};
}

/// What is done to a convolution's sums.
enum class After { Nothing, Relu, AddAndRelu }; ///< the last adds what the destination held

struct Step {
    dnnl::convolution_forward primitive;
    std::unordered_map<int, dnnl::memory> arguments;
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

/// Nearest neighbours of a picture of half the size, added; then the larger of that and 0.
void addGrownAndRelu(const float *half, Size size, int channels, float *to)
{
    const size_t n = size_t(channels);
    for (int y = 0; y < size.height; ++y)
        for (int x = 0; x < size.width; ++x) {
            const float *from = half + (size_t(y / 2) * size_t(size.width / 2) + size_t(x / 2)) * n;
            float *out = to + (size_t(y) * size_t(size.width) + size_t(x)) * n;
            for (size_t c = 0; c < n; ++c)
                out[c] = std::max(0.f, out[c] + from[c]);
        }
}

} // namespace

struct Network::Private {
    const Weights &weights;
    dnnl::engine engine{dnnl::engine::kind::cpu, 0};
    dnnl::stream stream{engine};
    std::vector<dnnl::memory> kernels; ///< plain, channels padded with zeros

    enum Buffer { Input, Full, FullScratch, Half, HalfScratch, Quarter, QuarterScratch, Grown, kBuffers };
    std::vector<float> buffers[kBuffers]; ///< of all plans
    std::map<std::pair<int, int>, std::vector<Step>> plans; ///< by the size of the tile

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
            kernels.push_back(std::move(m));
        }
    }

    Step convolution(size_t layer, Buffer from, Size fromSize, Buffer to, After after)
    {
        const Convolution &c = weights.layers[layer];
        const int inputs = paddedChannels(c.inputs), outputs = paddedChannels(c.outputs);
        const Size toSize = c.side == 2 ? halved(fromSize) : fromSize;
        const Md fromMd = activations(fromSize, inputs), toMd = activations(toSize, outputs);
        const Md kernelMd({outputs, inputs, c.side, c.side}, dnnl::memory::data_type::f32, Tag::any);
        const Dim stride = c.side == 2 ? 2 : 1, padding = c.side == 3 ? 1 : 0;
        dnnl::post_ops ops;
        if (after == After::AddAndRelu)
            ops.append_sum(1.f);
        if (after != After::Nothing)
            ops.append_eltwise(1.f, dnnl::algorithm::eltwise_relu, 0.f, 0.f);
        dnnl::primitive_attr attributes;
        attributes.set_post_ops(ops);
        // Direct: sums in one order wherever a sample lies, so that tiles agree to the last bit.
        const dnnl::convolution_forward::primitive_desc description({dnnl::prop_kind::forward_inference, dnnl::algorithm::convolution_direct, fromMd, kernelMd, toMd, {stride, stride}, {padding, padding}, {padding, padding}}, attributes, engine);
        dnnl::memory kernel = kernels[layer];
        if (kernel.get_desc() != description.weights_desc()) {
            kernel = dnnl::memory(description.weights_desc(), engine);
            dnnl::reorder(kernels[layer], kernel).execute(stream, kernels[layer], kernel);
        }
        return {dnnl::convolution_forward(description),
                {{DNNL_ARG_SRC, dnnl::memory(fromMd, engine, buffers[from].data())}, {DNNL_ARG_WEIGHTS, kernel}, {DNNL_ARG_DST, dnnl::memory(toMd, engine, buffers[to].data())}}};
    }

    const std::vector<Step> &planFor(Size size)
    {
        const auto found = plans.find({size.width, size.height});
        if (found != plans.end())
            return found->second;
        constexpr size_t kMostPlans = 12;
        if (plans.size() >= kMostPlans)
            plans.clear();
        const Size half = halved(size), quarter = halved(half);
        const auto [a, b, c] = weights.widths;
        const auto reserve = [&](Buffer buffer, Size s, int channels) {
            const size_t needed = size_t(s.area()) * size_t(channels);
            if (buffers[buffer].size() >= needed)
                return;
            plans.clear(); // they point into what is about to move
            buffers[buffer].resize(needed);
        };
        reserve(Input, size, kChannels);
        reserve(Full, size, a), reserve(FullScratch, size, a);
        reserve(Half, half, b), reserve(HalfScratch, half, b);
        reserve(Quarter, quarter, c), reserve(QuarterScratch, quarter, c);
        reserve(Grown, quarter, b), reserve(Grown, half, a);
        std::vector<Step> &steps = plans[{size.width, size.height}];
        const auto add = [&](size_t layer, Buffer from, Size s, Buffer to, After after = After::Relu) { steps.push_back(convolution(layer, from, s, to, after)); };
        const auto block = [&](size_t layer, Buffer at, Size s, Buffer scratch) {
            add(layer, at, s, scratch);
            add(layer + 1, scratch, s, at, After::AddAndRelu);
        };
        add(0, Input, size, Full);
        block(1, Full, size, FullScratch);
        add(5, Full, size, Half);
        block(3, Half, half, HalfScratch);
        add(6, Half, half, Quarter);
        block(7, Quarter, quarter, QuarterScratch);
        block(9, Quarter, quarter, QuarterScratch);
        add(11, Quarter, quarter, Grown, After::Nothing); // then added to Half
        block(13, Half, half, HalfScratch);
        add(12, Half, half, Grown, After::Nothing); // then added to Full
        block(15, Full, size, FullScratch);
        add(17, Full, size, Input, After::Nothing);
        return steps;
    }
};

Network::Network(const Weights &weights) : d(std::make_unique<Private>(weights)) {}
Network::~Network() = default;

float *Network::input(Size size)
{
    const OneThread one;
    d->planFor(size);
    return d->buffers[Private::Input].data();
}

const float *Network::run(Size size, const std::stop_token &stop)
{
    assert(size.width % kAlignment == 0 && size.height % kAlignment == 0);
    const OneThread one;
    const std::vector<Step> &steps = d->planFor(size);
    constexpr size_t kGrownToHalf = 11, kGrownToFull = 14;
    for (size_t i = 0; i < steps.size(); ++i) {
        if (stop.stop_requested())
            return nullptr;
        steps[i].primitive.execute(d->stream, steps[i].arguments);
        if (i == kGrownToHalf)
            addGrownAndRelu(d->buffers[Private::Grown].data(), halved(size), d->weights.widths[1], d->buffers[Private::Half].data());
        if (i == kGrownToFull)
            addGrownAndRelu(d->buffers[Private::Grown].data(), size, d->weights.widths[0], d->buffers[Private::Full].data());
    }
    return d->buffers[Private::Input].data();
}

} // namespace irenic::unet
