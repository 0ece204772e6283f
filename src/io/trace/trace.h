#pragma once
// Pictures into drawings: a black shape on white, or a ready-made cut photographed or scanned on a ground of
// another tone. potrace does the tracing.

#include "core/cutfile/drawing.h"
#include "core/result.h"

#include <QByteArray>
#include <optional>

namespace zesty {

struct TraceOptions {
    /// Side of a plain square that lies beside the cut, mm; 0 for none. With it sizes are real, and turn and
    /// perspective of the picture are taken out; the square itself is left out of the drawing.
    double square = 0;
    /// With a square: how far off anything may be, mm, before the picture is refused; 0 takes it as it is.
    double good_to = 0;
    /// Whether the paper is what is light in the picture; without an answer what is dark is paper, unless the
    /// picture has a see-through ground (then what is opaque), or shows a cut beside a square on a ground
    /// (then what the rim does not show).
    std::optional<bool> light_paper = {};
};

/// PNG or JPEG. Without a square the size is what the picture's resolution says. Pictures without anything
/// on them, too large ones (over 60 million pixels) and pictures in which the square cannot be found are
/// refused with one sentence.
Result<Drawing> trace_picture(const QByteArray& data, const TraceOptions& options = {});

} // namespace zesty
