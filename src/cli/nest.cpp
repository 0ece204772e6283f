#include "cli/command.h"
#include "cli/deadline.h"
#include "core/sentences.h"
#include "io/json_shapes.h"
#include "io/plan_json.h"
#include "io/read_file.h"

#include <iostream>

namespace zesty::cli {

namespace {

struct Nest {
    std::string job;
    unsigned seed = 1;
    double seconds = 1;
    bool json = false;
};

} // namespace

namespace {
constexpr int first_orders = 2;
constexpr int until_told_to_stop = 1'000'000;
constexpr double to_finish = 0.07; ///< seconds kept for checking and writing the answer
} // namespace

static int run(const Nest& args) {
    const auto data = read_file(QString::fromStdString(args.job));
    if (!data) return complain(data.error().message);
    const auto document = parse_json(data->toStdString(), args.job);
    if (!document) return complain(document.error().message);
    auto named = nest_job_from(*document, args.job);
    if (!named) return complain(named.error().message);
    named->job.seed = args.seed;
    named->job.attempts = first_orders;
    named->job.refinements = until_told_to_stop;
    const Deadline deadline(args.seconds > 4 * to_finish ? args.seconds - to_finish : args.seconds);
    const NestResult result = nest(named->job, deadline.token());
    if (const std::string wrong = verify(named->job, result); !wrong.empty())
        return complain(args.job + ": " + wrong);
    if (args.json)
        std::cout << nest_result_json(*named, result, deadline.seconds()).dump() << "\n";
    else
        std::cout << count_of(result.placements.size(), "piece", "pieces") << " placed, "
                  << result.unplaced.size() << " not\n";
    return result.unplaced.empty() ? done : problems;
}

namespace {

CLI::App* add_nest(CLI::App& app, Nest& a) {
    auto* c = app.add_subcommand("nest", "Lay irregular pieces on irregular sheets");
    c->add_option("JOB", a.job, "zesty-nest/1 file")->required();
    c->add_option("--seed", a.seed, "Seed of the search")->capture_default_str();
    add_number(*c, "--seconds", a.seconds, "Longest time in seconds (1)", {0, 3600});
    c->add_flag("--json", a.json, "Print zesty-nest-result/1");
    return c;
}

const Registered<Nest> nest_command(7, add_nest, run);

} // namespace

} // namespace zesty::cli
