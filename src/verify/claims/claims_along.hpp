// SPDX-License-Identifier: MIT
#pragma once

// Claims along a line of sizes: all widths at one height, or all heights at one width. The quantities of all claims are
// followed together; each claim is then tested on their straight runs, at its own turns only, so that what becomes of
// it does not depend on which others are tested with it.

#include <optional>
#include <string>
#include <vector>

#include "fond_ladder/claim.hpp"
#include "verify/claims/claim_stretches.hpp"
#include "verify/ladder/trail.hpp"

namespace fond_ladder::inline v0 {

/// The claims of texts. Throws BadClaim.
[[nodiscard]] std::vector<Claim> read_claims(const Scene& scene, const std::vector<std::string>& texts);

/// A line of sizes.
struct SizeLine {
  Way way;
  Interval span;
};

/// Scene, modes and claims have to live as long.
class ClaimsAlong {
 public:
  ClaimsAlong(const Scene& scene, const std::vector<std::string>& modes, const std::vector<Claim>& claims);

  /// The quantities of all claims, each once; of a claim its own, by their places among them; and of a quantity the
  /// claims that use it, in ascending order. Claims about entries of lists have none here.
  [[nodiscard]] const std::vector<Quantity>& quantities() const { return quantities_; }
  [[nodiscard]] const std::vector<std::size_t>& places(std::size_t claim) const { return places_[claim]; }
  [[nodiscard]] const std::vector<std::size_t>& claims_of(std::size_t quantity) const { return claims_of_[quantity]; }
  /// Whether what becomes of a claim hangs on the entries that are in view of a list: it can only be sampled.
  [[nodiscard]] bool is_about_entries(std::size_t claim) const { return about_entries_[claim]; }

  struct Found {
    std::vector<TestedWay> ways;  ///< one a claim, nothing of those about entries
    Runs height{};                ///< of the container, where it is by content
  };
  /// None where nothing can be proved.
  [[nodiscard]] std::optional<Found> test(const SizeLine& line, unsigned threads, const Progress& progress) const;

 private:
  const Scene& scene_;
  const std::vector<std::string>& modes_;
  const std::vector<Claim>& claims_;
  std::vector<bool> about_entries_;
  std::vector<Quantity> quantities_;
  std::vector<std::vector<std::size_t>> places_, claims_of_;
};

}  // namespace fond_ladder::inline v0
