// SPDX-License-Identifier: MIT
#pragma once

// What the command line takes over from src/calls.

#include "calls/command.hpp"
#include "calls/picture_form.hpp"
#include "calls/progress.hpp"
#include "calls/scene_call.hpp"
#include "calls/scrolled.hpp"
#include "calls/sizes.hpp"
#include "calls/target_file.hpp"
#include "calls/words_asked.hpp"

namespace fond_ladder::cli {

using calls::add_edits;
using calls::add_scene;
using calls::add_scrolled;
using calls::add_sizes;
using calls::add_target;
using calls::add_values;
using calls::asked_sizes;
using calls::BeforeAndAfter;
using calls::Command;
using calls::CommandOf;
using calls::ExitStatus;
using calls::Format;
using calls::load_before_and_after;
using calls::load_scene;
using calls::load_text_and_variant;
using calls::load_values;
using calls::load_variant;
using calls::load_variants;
using calls::make;
using calls::Option;
using calls::Options;
using calls::OptionUse;
using calls::Own;
using calls::parse_factor;
using calls::picture_form;
using calls::ProgressLine;
using calls::read_draft;
using calls::SceneCall;
using calls::ShippedScene;
using calls::solve_scrolled;
using calls::Streams;
using calls::words_asked;
using calls::write_target;
using calls::WrongCall;
using enum calls::ExitStatus;

}  // namespace fond_ladder::cli
