// SPDX-License-Identifier: MIT
#pragma once

// What a person reads of a call or a scene that is wrong: a line for each fault, on standard error.

#include <exception>
#include <iosfwd>
#include <string>

#include "calls/command.hpp"
#include "fond_ladder/scene_file.hpp"

namespace fond_ladder::calls {

/// `fond-ladder: error: …`
void print_error(std::ostream& err, const std::string& message);
/// `hint: …`
void print_hint(std::ostream& err, const std::string& sentence);

/// The message of an exception, for people. Errors of memory and threads get words of ours, since those of the standard
/// library say little.
[[nodiscard]] std::string message_of(const std::exception& error);

/// Calls `does()` and prints what it throws: errors of a scene with their places, others after `about` (a file and a
/// colon, or nothing). Passes each to `also` as a SceneError. Returns whether nothing was thrown.
template <class Does, class Also>
bool reports_error(std::ostream& err, const std::string& about, const Does& does, const Also& also) {
  try {
    does();
    return true;
  } catch (const BadScene& error) {
    for (const SceneError& fault : error.faults()) {
      err << fault.text() << '\n';
      also(fault);
    }
  } catch (const WrongCall& error) {
    for (const std::string& message : error.messages()) {
      print_error(err, about + message);
      also(SceneError{{}, 0, 0, {}, message});
    }
  } catch (const std::exception& error) {  // a wrong path, quantity or size
    const std::string message = message_of(error);
    print_error(err, about + message);
    also(SceneError{{}, 0, 0, {}, message});
  }
  return false;
}
template <class Does>
bool reports_error(std::ostream& err, const std::string& about, const Does& does) {
  return reports_error(err, about, does, [](const SceneError&) {});
}

}  // namespace fond_ladder::calls
