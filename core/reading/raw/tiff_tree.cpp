// SPDX-License-Identifier: GPL-3.0-or-later
#include "raw/tiff_tree.h"

#include "base/input_file.h"
#include "irenic/parameter.h"

#include <bit>
#include <cmath>
#include <limits>
#include <numeric>
#include <set>

namespace irenic {

namespace {

static_assert(std::endian::native == std::endian::little, "the writer and reader assume a little-endian machine");

constexpr int kMaxEntries = 4096;
constexpr int kMaxDirectories = 64;
constexpr int kMaxDepth = 4;
constexpr uint64_t kSharedBytes = 1 << 20; ///< small values that some writers point at more than once

/// Bytes of the unit that byte order applies to: a rational is two longs.
int swapUnit(uint16_t type)
{
    return type == TiffRational || type == TiffSRational ? 4 : tiffTypeSize(type);
}

void swapUnits(std::vector<std::byte> &bytes, int unit)
{
    for (size_t i = 0; unit > 1 && i + size_t(unit) <= bytes.size(); i += size_t(unit))
        std::reverse(bytes.begin() + ptrdiff_t(i), bytes.begin() + ptrdiff_t(i) + unit);
}

template <class T>
T load(const std::vector<std::byte> &bytes, size_t offset)
{
    T value{};
    if (offset + sizeof(T) <= bytes.size())
        std::memcpy(&value, bytes.data() + offset, sizeof(T));
    return value;
}

/// Walks the directories of one file; `problem` says why it stopped.
class Walker
{
public:
    Walker(const InputFile &in, bool bigEndian) : m_in(in), m_bigEndian(bigEndian) {}

    bool directory(uint64_t offset, int depth, TiffDirectory &out, uint64_t &next)
    {
        if (depth > kMaxDepth || int(m_visited.size()) >= kMaxDirectories)
            return fail(visible("has too many directories inside each other"));
        if (!m_visited.insert(offset).second)
            return fail(visible("has directories that point at each other in a loop"));
        std::vector<std::byte> raw;
        if (!bytes(offset, 2, raw))
            return fail(visible("ends before its directory"));
        const int count = u16(raw, 0);
        if (count == 0 || count > kMaxEntries)
            return fail(visible("has a directory with an impossible number of entries"));
        if (!bytes(offset + 2, uint64_t(count) * 12 + 4, raw))
            return fail(visible("ends inside its directory"));
        for (int i = 0; i < count; ++i)
            if (!entry(raw, size_t(i) * 12, depth, out))
                return false;
        std::stable_sort(out.entries.begin(), out.entries.end(),
                         [](const TiffEntry &a, const TiffEntry &b) { return a.tag < b.tag; });
        next = u32(raw, size_t(count) * 12);
        return true;
    }

    std::string problem;

private:
    bool fail(const char *what)
    {
        problem = what;
        return false;
    }
    bool bytes(uint64_t offset, uint64_t count, std::vector<std::byte> &out)
    {
        if (offset > m_in.bytes() || count > m_in.bytes() - offset)
            return false;
        out.resize(size_t(count));
        return m_in.read(offset, out.data(), out.size());
    }
    uint16_t u16(const std::vector<std::byte> &b, size_t o) const
    {
        const auto v = load<uint16_t>(b, o);
        return m_bigEndian ? __builtin_bswap16(v) : v;
    }
    uint32_t u32(const std::vector<std::byte> &b, size_t o) const
    {
        const auto v = load<uint32_t>(b, o);
        return m_bigEndian ? __builtin_bswap32(v) : v;
    }
    bool entry(const std::vector<std::byte> &raw, size_t at, int depth, TiffDirectory &out)
    {
        TiffEntry e{u16(raw, at), u16(raw, at + 2), u32(raw, at + 4), {}};
        const int valueBytes = tiffTypeSize(e.type);
        if (valueBytes == 0)
            return true; // TIFF 6.0, section 2: readers skip fields of unknown type
        const uint64_t total = uint64_t(e.count) * uint64_t(valueBytes);
        // Entries lie beside each other: all of them together cannot be more than their file.
        m_held += total;
        if (m_held > m_in.bytes() + kSharedBytes)
            return fail(visible("has entries that claim more than the whole file"));
        if (total <= 4)
            e.bytes.assign(raw.begin() + ptrdiff_t(at) + 8, raw.begin() + ptrdiff_t(at + 8 + total));
        else if (!bytes(u32(raw, at + 8), total, e.bytes))
            return fail(visible("has entries that point beyond its end; it is cut off or damaged"));
        if (m_bigEndian)
            swapUnits(e.bytes, swapUnit(e.type));
        std::vector<TiffDirectory> *below = e.tag == TagSubIfds   ? &out.subDirectories
                                            : e.tag == TagExifIfd ? &out.exif
                                            : e.tag == TagGpsIfd  ? &out.gps
                                                                  : nullptr;
        if (!below) {
            out.entries.push_back(std::move(e));
            return true;
        }
        if (e.type != TiffLong && e.type != TiffIfd)
            return fail(visible("points at a directory by a number that is no offset"));
        for (uint32_t i = 0; i < e.count; ++i) {
            TiffDirectory sub;
            uint64_t next = 0;
            if (!directory(uint64_t(e.number(i)), depth + 1, sub, next))
                return false;
            below->push_back(std::move(sub));
        }
        return true;
    }

    const InputFile &m_in;
    bool m_bigEndian;
    uint64_t m_held = 0; ///< bytes in entries so far
    std::set<uint64_t> m_visited;
};

} // namespace

int tiffTypeSize(uint16_t type)
{
    static constexpr int sizes[] = {0, 1, 1, 2, 4, 8, 1, 1, 2, 4, 8, 4, 8, 4};
    return type < std::size(sizes) ? sizes[type] : 0;
}

double TiffEntry::number(size_t i) const
{
    if (i >= count)
        return 0;
    switch (type) {
    case TiffByte:
    case TiffUndefined:
    case TiffAscii: return load<uint8_t>(bytes, i);
    case TiffSByte: return load<int8_t>(bytes, i);
    case TiffShort: return load<uint16_t>(bytes, i * 2);
    case TiffSShort: return load<int16_t>(bytes, i * 2);
    case TiffLong:
    case TiffIfd: return load<uint32_t>(bytes, i * 4);
    case TiffSLong: return load<int32_t>(bytes, i * 4);
    case TiffFloat: return load<float>(bytes, i * 4);
    case TiffDouble: return load<double>(bytes, i * 8);
    case TiffRational: {
        const auto d = load<uint32_t>(bytes, i * 8 + 4);
        return d ? double(load<uint32_t>(bytes, i * 8)) / d : std::numeric_limits<double>::quiet_NaN();
    }
    case TiffSRational: {
        const auto d = load<int32_t>(bytes, i * 8 + 4);
        return d ? double(load<int32_t>(bytes, i * 8)) / d : std::numeric_limits<double>::quiet_NaN();
    }
    default: return 0;
    }
}

std::vector<double> TiffEntry::numbers() const
{
    std::vector<double> all(count);
    for (size_t i = 0; i < count; ++i)
        all[i] = number(i);
    return all;
}

std::string TiffEntry::text() const
{
    const auto end = std::find(bytes.begin(), bytes.end(), std::byte(0));
    std::string out(size_t(end - bytes.begin()), '\0');
    std::transform(bytes.begin(), end, out.begin(), [](std::byte b) { return char(b); });
    return out;
}

const TiffEntry *TiffDirectory::find(uint16_t tag) const
{
    for (const TiffEntry &e : entries)
        if (e.tag == tag)
            return &e;
    return nullptr;
}

double TiffDirectory::number(uint16_t tag, double otherwise) const
{
    const TiffEntry *e = find(tag);
    return e && e->count ? e->number() : otherwise;
}

std::vector<double> TiffDirectory::numbers(uint16_t tag) const
{
    const TiffEntry *e = find(tag);
    return e ? e->numbers() : std::vector<double>();
}

std::string TiffDirectory::text(uint16_t tag) const
{
    const TiffEntry *e = find(tag);
    return e ? e->text() : std::string();
}

void TiffDirectory::set(TiffEntry entry)
{
    erase(entry.tag);
    const auto after = std::find_if(entries.begin(), entries.end(), [&](const TiffEntry &e) { return e.tag > entry.tag; });
    entries.insert(after, std::move(entry));
}

void TiffDirectory::erase(uint16_t tag)
{
    std::erase_if(entries, [tag](const TiffEntry &e) { return e.tag == tag; });
}

void TiffDirectory::setNumbers(uint16_t tag, TiffType type, std::span<const double> values)
{
    TiffEntry e{tag, type, uint32_t(values.size()), {}};
    const auto append = [&e](auto value) {
        const auto *p = reinterpret_cast<const std::byte *>(&value);
        e.bytes.insert(e.bytes.end(), p, p + sizeof(value));
    };
    for (const double v : values) {
        switch (type) {
        case TiffByte: append(uint8_t(v)); break;
        case TiffShort: append(uint16_t(v)); break;
        case TiffFloat: append(float(v)); break;
        case TiffDouble: append(v); break;
        default: assert(type == TiffLong || type == TiffIfd); append(uint32_t(v));
        }
    }
    set(std::move(e));
}

void TiffDirectory::setLevels(uint16_t tag, std::span<const double> values)
{
    const auto whole = [](double v) { return v >= 0 && v == std::floor(v) && v <= std::numeric_limits<uint32_t>::max(); };
    if (std::all_of(values.begin(), values.end(), whole))
        return setNumbers(tag, TiffLong, values);
    const bool below = std::any_of(values.begin(), values.end(), [](double v) { return v < 0; });
    TiffEntry e{tag, below ? TiffSRational : TiffRational, uint32_t(values.size()), std::vector<std::byte>(values.size() * 8)};
    for (size_t i = 0; i < values.size(); ++i) {
        // The largest power of two below which the fraction still fits: what a float holds comes through as it is.
        int64_t denominator = int64_t(1) << 30;
        while (denominator > 1 && std::abs(values[i]) * double(denominator) > double(std::numeric_limits<int32_t>::max()))
            denominator /= 2;
        const auto numerator = int64_t(std::llround(values[i] * double(denominator)));
        const int64_t common = std::gcd(numerator, denominator);
        const int32_t fraction[2] = {int32_t(numerator / common), int32_t(denominator / common)};
        std::memcpy(e.bytes.data() + i * 8, fraction, 8);
    }
    set(std::move(e));
}

void TiffDirectory::setNumber(uint16_t tag, TiffType type, double value)
{
    setNumbers(tag, type, std::span(&value, 1));
}

void TiffDirectory::setText(uint16_t tag, const std::string &text)
{
    const auto *p = reinterpret_cast<const std::byte *>(text.c_str());
    set({tag, TiffAscii, uint32_t(text.size() + 1), {p, p + text.size() + 1}});
}

void TiffDirectory::setRationals(uint16_t tag, TiffType type, std::span<const double> values, int denominator)
{
    assert(type == TiffRational || type == TiffSRational);
    TiffEntry e{tag, type, uint32_t(values.size()), std::vector<std::byte>(values.size() * 8)};
    for (size_t i = 0; i < values.size(); ++i) {
        const int32_t fraction[2] = {int32_t(std::lround(values[i] * denominator)), denominator};
        std::memcpy(e.bytes.data() + i * 8, fraction, 8);
    }
    set(std::move(e));
}

void TiffDirectory::setBytes(uint16_t tag, TiffType type, std::span<const std::byte> bytes)
{
    assert(tiffTypeSize(type) == 1);
    set({tag, type, uint32_t(bytes.size()), {bytes.begin(), bytes.end()}});
}

Result<TiffTree> readTiffTree(const std::filesystem::path &file)
{
    const auto refuse = [&](ErrorCode code, const std::string &what) { return fileError(code, file, what); };
    const Result<InputFile> in = InputFile::open(file);
    if (!in)
        return in.error();
    if (in.value().bytes() == 0)
        return refuse(ErrorCode::Damaged, visible("is empty"));
    unsigned char head[8] = {};
    const bool whole = in.value().read(0, head, sizeof head);
    const bool little = head[0] == 'I' && head[1] == 'I', big = head[0] == 'M' && head[1] == 'M';
    const int magic = little ? head[2] | head[3] << 8 : head[2] << 8 | head[3];
    if (!whole || !(little || big) || magic != 42)
        return refuse(ErrorCode::NotAPicture, magic == 43 && (little || big) ? visible("is a BigTIFF, which is not read as raw")
                                                                             : visible("is not a raw photograph"));
    uint64_t next = 0;
    for (int i = 0; i < 4; ++i)
        next = next << 8 | head[little ? 7 - i : 4 + i];
    TiffTree tree;
    tree.bigEndian = big;
    tree.fileBytes = in.value().bytes();
    Walker walker(in.value(), big);
    while (next != 0) {
        TiffDirectory directory;
        if (!walker.directory(next, 0, directory, next))
            return refuse(ErrorCode::Damaged, walker.problem);
        tree.chain.push_back(std::move(directory));
    }
    if (tree.chain.empty())
        return refuse(ErrorCode::Damaged, visible("holds no directory"));
    return tree;
}

} // namespace irenic
