#pragma once
// What kinds of things lie on the base.

namespace zesty {

enum class Lying { Layer, Cut, Mat, Photo, Embellishment, Title };

} // namespace zesty
