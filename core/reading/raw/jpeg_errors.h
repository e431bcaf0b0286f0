// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <csetjmp>
#include <cstdio>
// jpeglib.h wants the standard headers before it.
#include <jpeglib.h>

namespace irenic {

/// Leaves libjpeg by a jump to `away` where it would end the process, and keeps it quiet. To be set as the error manager.
struct JpegErrors : jpeg_error_mgr {
    std::jmp_buf away;
    JpegErrors() : jpeg_error_mgr{}
    {
        jpeg_std_error(this);
        error_exit = [](j_common_ptr info) { std::longjmp(static_cast<JpegErrors *>(info->err)->away, 1); };
        output_message = [](j_common_ptr) {};
    }
};

} // namespace irenic
