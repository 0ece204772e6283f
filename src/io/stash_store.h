#pragma once
// The stash as a database that is kept: one SQLite file with a row for each paper and each picture.
//
// A row of `papers` holds what zesty-stash/1 says of one paper, so that there is one description of a paper
// for files, projects and database. Every change is one transaction: whatever happens, a change is there
// whole or not at all. What is not such a database, or is one of a newer program, is refused and left alone.

#include "core/result.h"
#include "io/reserved.h"

#include <QString>
#include <functional>
#include <map>
#include <memory>

struct sqlite3;

namespace zesty {

/// Where the stash is that is always open: in the user's data folder.
QString living_stash_path();

/// For a paper that nobody has known so far.
std::string new_uid();

/// Which file there is now, 0 for none. The file is never opened but by SQLite: closing it elsewhere would
/// let go of the locks that this program holds on it (fcntl, POSIX.1), in the middle of a change.
quint64 stash_file(const QString& path);

/// What a database was like when an open one was asked, to notice changes: cheap to ask for.
struct StashStamp {
    int by_others = -1; ///< PRAGMA data_version; -1 before anything was read
    int by_itself = -1; ///< rows it has changed
    bool operator==(const StashStamp&) const = default;
};

/// How a page is known to the database: the whole path of its file, empty for a page that has none.
std::string page_key(const QString& file);

/// Pictures and pages that records name: the bytes by name.
using RecordFiles = std::map<std::string, Shared<std::string>>;
/// The name of such a file: the SHA-256 of its bytes and an ending like ".png".
std::string file_name_for(const std::string& bytes, const std::string& ending);

class StashStore {
public:
    /// Opens the database, or makes it when there is no such file. `alive` is kept until nobody can read
    /// pictures from it any more: a folder that goes with the last who needs it.
    static Result<StashStore> open(const QString& path, std::shared_ptr<const void> alive = nullptr);
    /// By its first bytes: not of a file that is open, see stash_file().
    static bool looks_like_one(const QString& path);

    StashStamp stamp() const;

    /// Pictures are read from the file when they are wanted (core/stash/picture_bytes.h).
    Result<Stash> read() const;
    /// Changes the whole by what is there, while nobody else can: `change` gives what is there after it.
    /// Papers that are new get a uid. Nothing changes where it fails, or where the whole could not be read
    /// again.
    /// `files` of records are kept in the same transaction.
    Result<void> change(const std::function<Result<Stash>(const Stash& now)>& change,
                        const RecordFiles& files = {});
    /// Adds papers, with the pictures they name. Those that are there already, by uid or, where one of the
    /// two has none, by id, take the place of the old.
    Result<void> put(const Stash& papers);
    /// An error of kind NothingToDo when there is no such paper. Pictures that no paper names go too.
    Result<void> remove(const std::string& id);

    /// What a page, by its file, takes of papers: kept until the page says otherwise. Pieces of papers that
    /// are not in the database are left out.
    Result<void> reserve(const std::string& page, const std::vector<ReservedPiece>& pieces);
    /// What all other pages have reserved, as long as their files are there.
    Result<Reserved> reserved_by_others(const std::string& page) const;

    /// The bytes of a file that a record names. NothingToDo where there is none; BadInput where its bytes are
    /// not those its name was made of.
    Result<std::string> file(const std::string& name) const;
    Result<std::vector<std::string>> files() const; ///< names, ascending, of records and pictures
    /// Lets go of files that no record and no paper names and that nobody has named since before a day: those
    /// of a step that was undone are wanted again when it is redone.
    Result<void> forget_files(const std::string& unnamed_before);

    /// The whole stash in one file, read back and compared before it takes the place of an older one.
    /// `what` begins the sentence of an error; the path where it is empty.
    Result<void> back_up(const QString& to, std::string what = {}) const;
    /// All papers and reserved pieces as they are in a backup, in the place of what is here; nothing changes
    /// where that cannot be read whole.
    Result<void> restore(const QString& from);

    ~StashStore();
    StashStore(StashStore&&) noexcept;
    StashStore& operator=(StashStore&&) noexcept;

private:
    /// Of a thousand instructions each that one question may take.
    static constexpr int most_steps = 100'000;
    explicit StashStore(std::string what);
    Result<void> run(const char* sql);
    Result<void> bring_up_to_date();
    Result<void> in_one_transaction(const std::function<Result<void>()>& change);
    Result<void> write(const Stash& before, Stash after);
    template <class Thing>
    Result<void> write_things(const char* kind, const std::vector<Thing>& before,
                              const std::vector<Thing>& after);
    Result<void> give_uids();
    Result<void> write_files(const RecordFiles& files);
    Result<void> write_pictures(const Pictures& before, const Pictures& after);
    Result<void> pictures_become_files();
    Result<Pictures> pictures() const;
    /// Whether it holds the same, every file as its name says.
    bool is_whole(const Stash& as) const;
    tl::unexpected<Error> trouble(const char* doing) const;
    tl::unexpected<Error> trouble_with(const std::string& file, const std::string& cannot) const;

    struct Close {
        void operator()(sqlite3* db) const;
    };
    std::unique_ptr<int> steps_left_; ///< of the question being asked; the database keeps its address
    std::unique_ptr<sqlite3, Close> db_;
    mutable Pictures known_; ///< by file, so that what has been made of them is not made again
    std::shared_ptr<const void> alive_;
    std::string what_; ///< begins the sentence of an error
};

} // namespace zesty
