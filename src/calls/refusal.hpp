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
void tell_refusal(std::ostream& err, const std::string& message);
/// `hint: …`
void tell_hint(std::ostream& err, const std::string& sentence);

/// What went wrong, for a person: of memory or threads that there were not the words of the standard library say
/// little.
[[nodiscard]] std::string told_of(const std::exception& error);

/// Calls `does()`, and tells what it throws: faults of a scene with their places, others behind `about` (a file and a
/// colon, or nothing), and each to `also` as a fault. Returns whether nothing was thrown.
template <class Does, class Also>
bool told_if_wrong(std::ostream& err, const std::string& about, const Does& does, const Also& also) {
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
      tell_refusal(err, about + message);
      also(SceneError{{}, 0, 0, {}, message});
    }
  } catch (const std::exception& error) {  // a wrong path, quantity or size
    const std::string message = told_of(error);
    tell_refusal(err, about + message);
    also(SceneError{{}, 0, 0, {}, message});
  }
  return false;
}
template <class Does>
bool told_if_wrong(std::ostream& err, const std::string& about, const Does& does) {
  return told_if_wrong(err, about, does, [](const SceneError&) {});
}

}  // namespace fond_ladder::calls
