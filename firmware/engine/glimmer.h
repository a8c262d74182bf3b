/* The light engine: portable C99, whole numbers only, no heap, no library beyond the freestanding headers.
 * It gives the same bytes as the preview: see core/src/motion, whose functions stand here under like names. */
#ifndef GLIMMER_H
#define GLIMMER_H

#include <stdint.h>

/* Where tables lie in flash that is not in the address space of data, a board says how they are read. */
#ifndef UG_TABLE
#define UG_TABLE const
#define UG_READ8(address) (*(const uint8_t *)(address))
#endif

enum ug_kind {
  UG_DARK,
  UG_STEADY,
  UG_BREATHE,
  UG_CHASE,
  UG_SWEEP,
  UG_FILL,
  UG_DRIFT,
  UG_SPARKLE,
  UG_FLICKER,
  UG_SHOTS,
  UG_BUILD_UP
};

/* A move in the engine's own units; a kind leaves alone what it has no use for. */
typedef struct {
  uint8_t kind;
  uint8_t rgb[3];
  uint8_t second[3];
  uint8_t level;
  uint8_t low;
  uint8_t threshold;
  uint8_t alike;
  uint8_t groups;
  uint8_t onward;
  uint8_t count;
  uint16_t tail;
  uint16_t share256;
  uint16_t seed;
  uint32_t shift;
  uint32_t period_ms;
  uint32_t step_ms;
  uint32_t on_ms;
  uint32_t off_ms;
} ug_move;

/* A light group: pixels of three bytes, or channels of one; where it begins in the frame; microamperes of a byte at full. */
typedef struct {
  uint16_t points;
  uint8_t bytes_per_point;
  uint16_t offset;
  uint32_t microamps_per_byte;
} ug_group;

enum ug_when { UG_BUTTON, UG_GETS_DARK, UG_GETS_LIGHT, UG_AFTER };
#define UG_ANY 255u
#define UG_NEVER 0xffffffffu

/* A cue: from a mood (or any), when what happens, to which mood, over how long, and back after how long (or never). */
typedef struct {
  uint8_t from;
  uint8_t when;
  uint8_t control;
  uint8_t to;
  uint32_t after_ms;
  uint32_t fade_ms;
  uint32_t back_after_ms;
} ug_cue;

/* Everything that one plan comes to: `moves` holds a row of `group_count` for each mood. */
typedef struct {
  const ug_group *groups;
  const ug_move *moves;
  const uint16_t *brightness256;
  const ug_cue *cues;
  uint8_t group_count;
  uint8_t mood_count;
  uint8_t cue_count;
  uint8_t start;
  uint16_t frame_bytes;
  /* What all draws dark, and the most that the supply gives; a limit of 0 is none. */
  uint32_t rest_microamps;
  uint32_t limit_microamps;
} ug_show;

typedef struct {
  uint8_t mood;
  uint32_t since_ms;
  uint8_t fading;
  uint8_t fade_from;
  uint32_t fade_from_since_ms;
  uint32_t fade_ms;
  uint8_t goes_back;
  uint8_t back_to;
  uint32_t back_at_ms;
  uint32_t back_fade_ms;
} ug_player;

void ug_paint_frame(const ug_show *show, uint8_t mood, uint32_t t_ms, uint8_t *out);
void ug_cross_fade(const uint8_t *from, const uint8_t *to, uint16_t share256, uint8_t *out, uint16_t bytes);
/* Scales a frame down that would pass the limit; gives the scale, 256 = untouched. */
uint16_t ug_limit_frame(const ug_show *show, uint8_t *frame);
void ug_start(const ug_show *show, ug_player *player);
void ug_event(const ug_show *show, ug_player *player, uint8_t when, uint8_t control, uint32_t now_ms);
void ug_pass_time(const ug_show *show, ug_player *player, uint32_t now_ms);
/* Paints what is shown now; `scratch` is a second frame for the fade. */
void ug_paint_now(const ug_show *show, const ug_player *player, uint32_t now_ms, uint8_t *out, uint8_t *scratch);

#endif
