/* The light engine: portable C99, whole numbers only, no heap, no library beyond the freestanding headers.
 * It gives the same bytes as the preview: see core/src/motion, whose functions stand here under like names. */
#ifndef GLIMMER_H
#define GLIMMER_H

#include <stdint.h>

#include "moves.h"

/* Where constants would take up memory, a board puts them in flash: a named address space, as avr-gcc has. */
#ifdef __AVR__
#define UG_FLASH __flash
#else
#define UG_FLASH
#endif

/* Kept out of its caller, so that its stack is free again behind it. */
#ifdef __GNUC__
#define UG_APART __attribute__((noinline))
#else
#define UG_APART
#endif

/* A value that nothing gives, and any mood or none. */
#define UG_NO_CONTROL 255u
#define UG_ANY 255u
#define UG_NEVER 0xffffffffu
/* Places are in eighths of a light. */
#define UG_PLACE_STEPS 8u
#define UG_MOST_CELLS 256u
#define UG_DOUBLE_MS 400u
#define UG_START_MS 512u

enum ug_how { UG_OVER, UG_ADD, UG_LIGHTEST };

/* A light group as it is wired: pixels of three bytes, or channels of one; microamperes of a die at full. `own_white`: what
 * red, green and blue have in common comes from a white die in their place; `switches`: a load that is on or off. */
typedef struct {
  uint16_t points;
  uint8_t bytes_per_point;
  uint8_t own_white;
  uint8_t switches;
  uint16_t offset;
  uint32_t microamps_per_byte;
  /* The limit of its rail, which it counts in and is dimmed for; UG_NO_LIMIT = none. */
  uint8_t limit;
#if UG_USES_RAILS
  /* The limit of all rails of its supply together, and what it counts there. */
  uint8_t together;
  uint32_t together_microamps;
#endif
} ug_group;

/* What one rail bears, or all rails of one supply: what all on it draws dark, and the most that it gives; a limit of 0 is
 * none. Those of one supply stand together. */
#define UG_NO_LIMIT 255u
typedef struct {
  uint32_t rest_microamps;
  uint32_t limit_microamps;
#if UG_USES_RAILS
  uint8_t supply;
#endif
} ug_limit;

/* A line of pixels: where its bytes stand in the frame, three a pixel; how many a pixel takes on the wire, and which die each
 * is for: 0 red, 1 green, 2 blue, 3 white. */
typedef struct {
  uint16_t offset;
  uint16_t bytes;
  uint8_t dice, wire[4];
  uint8_t own_white;
} ug_line;

/* A channel: where its light stands in the frame, UG_NOWHERE = in none; of a light with a white die, which of its dice. */
#define UG_NOWHERE 0xffffu
#define UG_WHOLE 255u
typedef struct {
  uint16_t at;
  uint8_t die;
} ug_channel;

/* Lights that a scan driver is told: where they stand in the frame, and how many. */
typedef struct {
  uint16_t offset;
  uint16_t lights;
} ug_told;

/* Lights that a move is painted on; `offsets` says where each stands in the frame, 0 = one after another. */
typedef struct {
  uint16_t points;
  uint8_t bytes_per_point;
  uint16_t offset;
  const UG_FLASH uint16_t *offsets;
} ug_set;

/* A move on a set; `length` and `places` are the order in which it meets the lights, 0 = as they are counted. */
typedef struct {
  uint16_t set;
  uint8_t how;
  uint16_t length;
  const UG_FLASH uint16_t *places;
  ug_move move;
} ug_layer;

/* A mood: a row of layers, lowest first; fades of UG_NEVER are as long as the cue says. */
typedef struct {
  uint16_t first_layer;
  uint16_t layer_count;
  uint16_t brightness256;
  /* How long it takes to run through once. */
  uint32_t through_ms;
  uint32_t fade_in_ms;
  uint32_t fade_out_ms;
} ug_mood;

/* What lies over every mood while its control is on. */
typedef struct {
  uint8_t control;
  uint16_t first_layer;
  uint16_t layer_count;
} ug_sign;

enum ug_when {
  UG_BUTTON,
  UG_OPENED,
  UG_HELD,
  UG_DOUBLE,
  UG_WHILE,
  UG_DARK,
  UG_LIGHT,
  UG_LOW,
  UG_AFTER,
  UG_RANDOM,
  UG_THROUGH
};

/* A cue: from a mood (or any), when what happens, to which mood, over how long, and back after how long (or never). */
typedef struct {
  uint8_t from;
  uint8_t when;
  uint8_t control;
  uint8_t to;
  uint8_t keeps_look;
  uint32_t wait_ms;
  uint32_t span_ms;
  uint32_t fade_ms;
  uint32_t back_after_ms;
} ug_cue;

/* A control: whether a press waits for a second or a long one, and whether its pin is high while it is closed; for a
 * sensor, how its code is read. */
typedef struct {
  uint8_t is_sensor;
  uint8_t waits;
  uint8_t has_double;
  uint8_t reads_high;
  /* A knob that sets how bright all lights are, besides. */
  uint8_t dims;
  uint16_t on_below;
  uint16_t off_above;
  uint16_t empty_code;
  uint16_t full_code;
  uint32_t settle_ms;
} ug_control;

/* Everything that one plan comes to. */
typedef struct {
  const UG_FLASH ug_group *groups;
  const UG_FLASH ug_set *sets;
  const UG_FLASH ug_layer *layers;
  const UG_FLASH ug_mood *moods;
  const UG_FLASH ug_sign *signs;
  const UG_FLASH ug_cue *cues;
  const UG_FLASH ug_control *controls;
  uint16_t group_count;
  uint8_t mood_count;
  uint8_t sign_count;
  uint8_t cue_count;
  uint8_t control_count;
  uint8_t start;
  uint16_t frame_bytes;
  uint8_t limit_count;
  const UG_FLASH ug_limit *limits;
} ug_show;

/* What is known of one control; `on` is closed, dark or low. */
typedef struct {
  uint8_t on;
  uint8_t level;
  uint8_t spent;
  uint8_t crossing;
  uint8_t tapped;
  uint32_t on_since_ms;
  uint32_t crossing_since_ms;
  uint32_t tapped_at_ms;
  uint32_t held_ms;
} ug_control_state;

typedef struct {
  ug_control_state *controls;
  uint16_t entries;
  uint8_t mood;
  uint32_t since_ms;
  uint8_t fading;
  uint8_t fade_from;
  uint8_t fade_keeps_look;
  uint32_t fade_from_since_ms;
  uint32_t fade_out_ms;
  uint32_t fade_in_ms;
  uint8_t goes_back;
  uint8_t back_to;
  uint8_t back_keeps_look;
  uint8_t back_control;
  uint32_t back_at_ms;
  uint32_t back_fade_ms;
} ug_player;

/* A byte of chance for a light and a slot: a 32-bit mix. */
uint8_t ug_chance(uint16_t seed, uint32_t light, uint32_t slot);
/* What is turned down: of its light as much is left as looks like the turn of its knob. Signs come after, undimmed. */
void ug_dim_frame(const UG_FLASH ug_show *show, uint8_t level, uint8_t *frame);
/* What is on or off is on while anything is left of its byte. */
void ug_switch_frame(const UG_FLASH ug_show *show, uint8_t *frame);
/* The frame of a mood at a time since it began; `controls` may be 0, values then count as full. */
void ug_paint_frame(const UG_FLASH ug_show *show, uint8_t mood, uint32_t t_ms, const ug_control_state *controls,
                    uint8_t *out);
/* Lays a row of layers upon a frame. */
void ug_paint_layers(const UG_FLASH ug_show *show, uint16_t first, uint16_t count, uint32_t t_ms,
                     const ug_control_state *controls, uint8_t *out);
void ug_cross_fade(const uint8_t *from, const uint8_t *to, uint16_t out256, uint16_t in256, uint8_t keeps_look,
                   uint8_t *out, uint16_t bytes);
/* What red, green and blue of a light have in common. */
uint8_t ug_white(const uint8_t *rgb);
/* Byte `k` that a pixel takes on the wire; `white` is 0, or `ug_white` where its line has `own_white`. */
uint8_t ug_wire(const UG_FLASH ug_line *line, const uint8_t *rgb, uint8_t k, uint8_t white);
/* Scales down what hangs on each supply that a frame would ask too much of; gives the least scale, 256 = untouched. */
uint16_t ug_limit_frame(const UG_FLASH ug_show *show, uint8_t *frame);
/* `controls` is memory for as many states as the show has controls. */
void ug_start(const UG_FLASH ug_show *show, ug_player *player, ug_control_state *controls);
/* A contact has closed or opened, bounces already taken out. */
void ug_touch(const UG_FLASH ug_show *show, ug_player *player, uint8_t control, uint8_t on, uint32_t now_ms);
/* A sensor was read. */
void ug_sense(const UG_FLASH ug_show *show, ug_player *player, uint8_t control, uint16_t code, uint32_t now_ms);
void ug_pass_time(const UG_FLASH ug_show *show, ug_player *player, uint32_t now_ms);
/* Paints what is shown now, and gives the scale of its limiter, 256 = untouched; `scratch` is a second frame for the fade. */
UG_APART uint16_t ug_paint_now(const UG_FLASH ug_show *show, const ug_player *player, uint32_t now_ms, uint8_t *out,
                  uint8_t *scratch);

#endif
