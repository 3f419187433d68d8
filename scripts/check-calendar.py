"""Reads a calendar from standard input with libical (Debian: libical3) and tells what it finds wrong."""

import ctypes
import sys

VEVENT = 4
lib = ctypes.CDLL("libical.so.3")
lib.icalparser_parse_string.restype = ctypes.c_void_p
lib.icalparser_parse_string.argtypes = [ctypes.c_char_p]
for name in ("icalcomponent_count_errors", "icalrestriction_check"):
    getattr(lib, name).argtypes = [ctypes.c_void_p]
lib.icalcomponent_count_components.argtypes = [ctypes.c_void_p, ctypes.c_int]
lib.icalcomponent_as_ical_string.restype = ctypes.c_char_p
lib.icalcomponent_as_ical_string.argtypes = [ctypes.c_void_p]
lib.icalcomponent_kind_to_string.restype = ctypes.c_char_p
assert lib.icalcomponent_kind_to_string(VEVENT) == b"VEVENT"

calendar = lib.icalparser_parse_string(sys.stdin.buffer.read())
if not calendar:
    sys.exit("libical cannot read it.")
# Marks what breaks the standard's restrictions as errors of its own.
lib.icalrestriction_check(calendar)
errors = lib.icalcomponent_count_errors(calendar)
events = lib.icalcomponent_count_components(calendar, VEVENT)
print(f"libical: {events} events, {errors} errors")
if errors:
    text = lib.icalcomponent_as_ical_string(calendar).decode()
    print("\n".join(line for line in text.splitlines() if line.startswith("X-LIC-ERROR")))
sys.exit(1 if errors or not events else 0)
