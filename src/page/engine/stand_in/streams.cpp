// SPDX-License-Identifier: MIT
//
// Whoever writes into a stream of the standard library has in hand what any program could ask of one: numbers, money
// and dates read, and all of it written, in narrow characters and in wide ones. The engine writes texts and whole
// numbers, and reads words. What it never calls is cut off here, under the names that it has in the library, so that
// the page is 30 kB smaller; a name that another library does not know does nothing. Called all the same, each
// breaks the engine off, which the page's tests would see.

// An iterator of a stream is a pointer to the run time, and so is what is written or read behind it.
using Word = int;

// One macro a name, however they are broken.
// clang-format off
#define FOND_LADDER_CUT_OFF_AS(number, name, ...)                           \
  extern "C" Word fond_ladder_cut_off_##number(__VA_ARGS__) __asm__(name);  \
  extern "C" Word fond_ladder_cut_off_##number(__VA_ARGS__) { __builtin_trap(); }
#define FOND_LADDER_CUT_OFF_AT(number, name, ...) FOND_LADDER_CUT_OFF_AS(number, name, __VA_ARGS__)
#define FOND_LADDER_CUT_OFF(name, ...) FOND_LADDER_CUT_OFF_AT(__COUNTER__, name, __VA_ARGS__)

#define FOND_LADDER_IN(facet, c) "_ZNKSt3__2" facet "I" c "NS_19istreambuf_iteratorI" c "NS_11char_traitsI" c "EEEEE"
#define FOND_LADDER_OUT(facet, c) "_ZNKSt3__2" facet "I" c "NS_19ostreambuf_iteratorI" c "NS_11char_traitsI" c "EEEEE"
#define FOND_LADDER_TEXT(c) "NS_12basic_stringI" c "S3_NS_9allocatorI" c "EEEE"
#define FOND_LADDER_SIX Word, Word, Word, Word, Word, Word

#define FOND_LADDER_NUMBER_IN(c, type) \
  FOND_LADDER_CUT_OFF(FOND_LADDER_IN("7num_get", c) "6do_getES4_S4_RNS_8ios_baseERj" type, FOND_LADDER_SIX)
#define FOND_LADDER_DATE_IN(c, part) \
  FOND_LADDER_CUT_OFF(FOND_LADDER_IN("8time_get", c) part "ES4_S4_RNS_8ios_baseERjP2tm", FOND_LADDER_SIX)
#define FOND_LADDER_MONEY_IN(c, type) \
  FOND_LADDER_CUT_OFF(FOND_LADDER_IN("9money_get", c) "6do_getES4_S4_bRNS_8ios_baseERjR" type, FOND_LADDER_SIX, Word)
#define FOND_LADDER_CUT_BOTH(c)                                                                                     \
  FOND_LADDER_NUMBER_IN(c, "RPv") FOND_LADDER_NUMBER_IN(c, "Rb") FOND_LADDER_NUMBER_IN(c, "Rd")                     \
  FOND_LADDER_NUMBER_IN(c, "Re") FOND_LADDER_NUMBER_IN(c, "Rf") FOND_LADDER_NUMBER_IN(c, "Rl")                      \
  FOND_LADDER_NUMBER_IN(c, "Rm") FOND_LADDER_NUMBER_IN(c, "Rt") FOND_LADDER_NUMBER_IN(c, "Rx")                      \
  FOND_LADDER_NUMBER_IN(c, "Ry") FOND_LADDER_NUMBER_IN(c, "S8_")                                                    \
  FOND_LADDER_DATE_IN(c, "11do_get_date") FOND_LADDER_DATE_IN(c, "11do_get_time")                                   \
  FOND_LADDER_DATE_IN(c, "11do_get_year") FOND_LADDER_DATE_IN(c, "14do_get_weekday")                                \
  FOND_LADDER_DATE_IN(c, "16do_get_monthname")                                                                      \
  FOND_LADDER_CUT_OFF(FOND_LADDER_IN("8time_get", c) "6do_getES4_S4_RNS_8ios_baseERjP2tmcc", FOND_LADDER_SIX, Word, \
                      Word)                                                                                         \
  FOND_LADDER_CUT_OFF(FOND_LADDER_OUT("8time_put", c) "6do_putES4_RNS_8ios_baseE" c "PK2tmcc", FOND_LADDER_SIX,     \
                      Word)                                                                                         \
  FOND_LADDER_MONEY_IN(c, "e") FOND_LADDER_MONEY_IN(c, FOND_LADDER_TEXT(c))                                         \
  FOND_LADDER_CUT_OFF(FOND_LADDER_OUT("9money_put", c) "6do_putES4_bRNS_8ios_baseE" c "e", Word, Word, Word, Word,  \
                      Word, long double)                                                                            \
  FOND_LADDER_CUT_OFF(FOND_LADDER_OUT("9money_put", c) "6do_putES4_bRNS_8ios_baseE" c "RK" FOND_LADDER_TEXT(c),     \
                      FOND_LADDER_SIX)
FOND_LADDER_CUT_BOTH("c")
FOND_LADDER_CUT_BOTH("w")

#define FOND_LADDER_WIDE_OUT(type, number) \
  FOND_LADDER_CUT_OFF(FOND_LADDER_OUT("7num_put", "w") "6do_putES4_RNS_8ios_baseEw" type, Word, Word, Word, \
                      Word, number)
FOND_LADDER_WIDE_OUT("PKv", Word)
FOND_LADDER_WIDE_OUT("b", Word)
FOND_LADDER_WIDE_OUT("d", double)
FOND_LADDER_WIDE_OUT("e", long double)
FOND_LADDER_WIDE_OUT("l", Word)
FOND_LADDER_WIDE_OUT("m", Word)
FOND_LADDER_WIDE_OUT("x", long long)
FOND_LADDER_WIDE_OUT("y", long long)
// clang-format on
