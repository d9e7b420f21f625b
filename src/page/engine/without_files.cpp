// SPDX-License-Identifier: MIT
//
// Replaces, in the page, everything that uses files: the file readers of src/scene, the writers of src/calls,
// the plots. A call that needs a file is told that there are none.
#include "calls/junit.hpp"
#include "calls/picture_form.hpp"
#include "calls/sarif.hpp"
#include "calls/target_file.hpp"
#include "fond_ladder/plot.hpp"
#include "fond_ladder/scene_file.hpp"
#include "scene/edit/read_text.hpp"
#include "scene/read/scene_text.hpp"

namespace fond_ladder {
namespace {

[[noreturn]] void refuse() {
  throw calls::WrongCall("the page has no file but the scene that it shows");
}

}  // namespace

inline namespace v0 {

std::string scene::text_of_file(const std::string& path) {
  throw BadScene({{path, 0, 0, "", "the page has no file but the scene that it shows"}});
}
/// A page is given scenes that use no other files.
scene::UsedFiles scene::read_used_files(JsonDocument& document, Faults& faults, const std::string& /*file*/) {
  const ValueId uses = document.member(document.root(), "uses");
  if (uses != no_value) faults.add(document, uses, "the page has no file but the scene that it shows");
  return {{}, {}, {}, {}, {document.root()}, {}};
}
bool scene::UsedFiles::uses(std::size_t /*one*/, std::size_t /*other*/) const {
  return false;
}
std::string scene::UsedFiles::way_to(std::size_t /*text*/) const {
  return {};
}
scene::Places::Places(const std::string& /*file*/) {
  refuse();
}
scene::Places::~Places() = default;
std::string plot(const Sweep& /*swept*/, PictureForm /*form*/, const PlotOptions& /*options*/) {
  refuse();
}
Picture draw(const SizeMap& /*map*/, PictureForm /*form*/) {
  refuse();
}
void require_plotter() {
  refuse();
}

}  // namespace v0

namespace calls {

bool is_plain_file(const std::string& /*path*/) {
  return false;
}

void add_target(const Streams& /*streams*/, const std::string& /*option*/, const std::string& /*path*/) {
  refuse();
}
void add_source(const Streams& /*streams*/, const std::string& /*what*/, const std::string& /*path*/) {}
void write_target(const Streams& /*streams*/, const std::string& /*path*/, std::string_view /*bytes*/) {
  refuse();
}
std::string junit_text(const std::vector<JUnitSuite>& /*suites*/) {
  refuse();
}
void add_failing(std::vector<SarifResult>& /*results*/, const std::vector<CheckedClaim>& /*checked*/,
                 const std::vector<std::size_t>& /*numbers*/, const std::string& /*file*/,
                 const scene::Places& /*places*/) {
  refuse();
}
void add_fault(std::vector<SarifResult>& /*results*/, const SceneError& /*fault*/, const std::string& /*file*/) {
  refuse();
}
void add_findings(std::vector<SarifResult>& /*results*/, const Lint& /*lint*/, const std::string& /*file*/,
                  const scene::Places& /*places*/) {
  refuse();
}
std::string sarif_text(const std::vector<SarifResult>& /*results*/) {
  refuse();
}
PictureForm picture_form(const std::string& /*output*/, const std::string& /*as*/, const std::string& /*option*/) {
  refuse();
}

}  // namespace calls
}  // namespace fond_ladder
