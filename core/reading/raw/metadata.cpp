// SPDX-License-Identifier: GPL-3.0-or-later
#include "raw/metadata.h"

#include "base/input_file.h"

#include <exiv2/exiv2.hpp>

#include <mutex>
#include <stdexcept>

namespace irenic {

void prepareXmp()
{
    static std::once_flag once;
    std::call_once(once, [] {
        static std::recursive_mutex mutex;
        Exiv2::XmpParser::initialize([](void *m, bool lock) { lock ? static_cast<std::recursive_mutex *>(m)->lock() : static_cast<std::recursive_mutex *>(m)->unlock(); }, &mutex);
        Exiv2::XmpProperties::registerNs(kProvenanceNamespace, kProvenancePrefix);
#ifdef EXV_ENABLE_BMFF
        Exiv2::enableBMFF(); // HEIF, AVIF, JPEG XL in boxes
#endif
        Exiv2::LogMsg::setLevel(Exiv2::LogMsg::mute); // what matters comes as an exception
    });
}

std::shared_ptr<Exiv2::Image> openMetadata(const std::filesystem::path &file)
{
    prepareXmp();
    if (const auto plain = InputFile::open(file); !plain)
        throw std::runtime_error(plain.error().userMessage);
    const std::shared_ptr<Exiv2::Image> image(Exiv2::ImageFactory::open(file.string()).release());
    image->readMetadata();
    return image;
}

} // namespace irenic
