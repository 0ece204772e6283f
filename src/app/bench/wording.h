#pragma once
// What the window says about a plan, in few words. Shared by the views so that they say the same.

#include "core/project/plan.h"
#include "core/project/project.h"

#include <QString>

namespace zesty {

QString words(const std::string& text);
/// A layer of a drawing: "muted red" for a colour, the name of a group.
QString layer_in_words(const std::string& key);
/// "1 sheet", "3 sheets".
QString counted(std::size_t n, const char* one, const char* many);

/// The answers on the route.
QString set_out_answer(const Project& project, const Plan& plan);
QString sections_answer(const Plan& plan);
QString papers_answer(const Plan& plan);
QString sheets_answer(const Plan& plan);
/// True when the answer is bad news.
bool papers_in_trouble(const Plan& plan);

/// "7 sheets, 6 of them scraps".
QString price(const Plan& plan);
/// "28 patches take 64 sq in of paper and about 50 min. The smallest lip ...".
QString about_patches(const Project& project, const Plan& plan);
/// Numbers of one opening, for the line under the page: size, bar, paper, lip.
QString about_opening(const Project& project, const Plan& plan, int opening);
/// "Trim 1/4 in off each side: the base is 11 1/2 x 11 1/2 in.", and what follows for the frame.
QString about_base(const Project& project, const Plan& plan);

} // namespace zesty
