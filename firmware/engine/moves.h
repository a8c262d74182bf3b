/* Written from core/src/moves by `npm run docs`; change those, not this. */
#ifndef MOVES_H
#define MOVES_H

#include <stdint.h>

enum ug_kind {
  UG_STEADY,
  UG_BREATHE,
  UG_SWELL,
  UG_CHASE,
  UG_SWEEP,
  UG_FILL,
  UG_DRIFT,
  UG_SPARKLE,
  UG_FLICKER,
  UG_SHOTS,
  UG_BUILD_UP,
  UG_CELLS,
  UG_GAUGE,
  UG_STEPS
};

/* A move in the engine's own units; a kind leaves alone what it has no use for. */
typedef struct {
  uint32_t off_ms;
  uint32_t on_ms;
  uint32_t period_ms;
  uint32_t shift;
  uint32_t step_ms;
  uint8_t rgb[3];
  uint8_t second[3];
  uint16_t birth;
  uint16_t columns;
  uint16_t rows;
  uint16_t seed;
  uint16_t share256;
  uint16_t survival;
  uint16_t tail;
  uint8_t alike;
  uint8_t control;
  uint8_t count;
  uint8_t curve;
  uint8_t groups;
  uint8_t keeps_current;
  uint8_t kind;
  uint8_t level;
  uint8_t low;
  uint8_t melts;
  uint8_t onward;
  uint8_t threshold;
  uint8_t wraps;
} ug_move;

#endif
