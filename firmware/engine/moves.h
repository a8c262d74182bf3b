/* Written from core/src/moves by `npm run docs`; change those, not this. */
#ifndef MOVES_H
#define MOVES_H

#include <stdint.h>

#include "uses.h"

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

/* A move in the engine's own units, as far as the kinds in use have use for it. */
typedef struct {
#if UG_USES_SWELL || UG_USES_SHOTS
  uint32_t off_ms;
#endif
#if UG_USES_SWELL || UG_USES_SHOTS
  uint32_t on_ms;
#endif
  uint32_t period_ms;
#if UG_USES_DRIFT
  uint32_t shift;
#endif
#if UG_USES_SWELL || UG_USES_CHASE || UG_USES_SPARKLE || UG_USES_FLICKER || UG_USES_CELLS
  uint32_t step_ms;
#endif
  uint8_t rgb[3];
  uint8_t second[3];
#if UG_USES_CELLS
  uint16_t birth;
#endif
#if UG_USES_CELLS
  uint16_t columns;
#endif
#if UG_USES_CELLS
  uint16_t rows;
#endif
#if UG_USES_SPARKLE || UG_USES_FLICKER || UG_USES_CELLS
  uint16_t seed;
#endif
#if UG_USES_SPARKLE || UG_USES_CELLS
  uint16_t share256;
#endif
#if UG_USES_CELLS
  uint16_t survival;
#endif
#if UG_USES_SWEEP
  uint16_t tail;
#endif
#if UG_USES_FLICKER
  uint8_t alike;
#endif
#if UG_USES_GAUGE || UG_USES_STEPS
  uint8_t control;
#endif
#if UG_USES_SHOTS || UG_USES_STEPS
  uint8_t count;
#endif
#if UG_USES_BREATHE
  uint8_t curve;
#endif
#if UG_USES_CHASE
  uint8_t groups;
#endif
  uint8_t keeps_current;
  uint8_t kind;
  uint8_t level;
#if UG_USES_BREATHE || UG_USES_SWELL || UG_USES_FLICKER || UG_USES_BUILD_UP || UG_USES_STEPS
  uint8_t low;
#endif
#if UG_USES_CELLS
  uint8_t melts;
#endif
#if UG_USES_CHASE
  uint8_t onward;
#endif
#if UG_USES_FLICKER
  uint8_t threshold;
#endif
#if UG_USES_CELLS
  uint8_t wraps;
#endif
} ug_move;

#endif
