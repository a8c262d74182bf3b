/* Written from core/src/moves by `npm run docs`; change those, not this. */
#include "levels.h"

#if UG_USES_BREATHE
/* A beat that rises at once and dies away over its part of the period. */
static uint8_t beat(uint32_t phase, uint32_t from, uint32_t rise, uint32_t fall, uint32_t height) {
  uint32_t left;
  if (phase < from || phase >= from + rise + fall) return 0;
  if (phase < from + rise) return (uint8_t)((height * (phase - from)) / rise);
  left = ((from + rise + fall - phase) * 255u) / fall;
  return (uint8_t)((height * (left * left)) / 65025u);
}

/* Softly, evenly, up at once, or like a heart. */
static uint8_t breath_shape(uint8_t curve, uint32_t phase) {
  uint8_t first, second;
  switch (curve) {
    case 0:
      return ug_wave(phase);
    case 1:
      return (uint8_t)(ug_triangle(phase) / 257u);
    case 2:
      return beat(phase, 0, 4096, 61440, 255);
    default:
      first = beat(phase, 0, 3072, 12288, 255);
      second = beat(phase, 15360, 3072, 20480, 170);
      return first > second ? first : second;
  }
}

static void begin_breathe(ug_moment *moment, const UG_FLASH ug_move *move, uint32_t t_ms) {
  int32_t rise = ((int32_t)move->level - move->low) *
                 (int32_t)breath_shape(move->curve, ug_phase(t_ms, move->period_ms));
  moment->level = (uint8_t)(move->low + (rise + (rise < 0 ? -127 : 127)) / 255);
}
#endif

#if UG_USES_SWELL
/* A rise of 255 over ten minutes is far below what 32 bits hold. */
static void begin_swell(ug_moment *moment, const UG_FLASH ug_move *move, uint32_t t_ms) {
  uint32_t in_period = t_ms % move->period_ms;
  int32_t span = (int32_t)move->level - move->low;
  if (in_period < move->step_ms) {
    moment->level = (uint8_t)(move->low + (span * (int32_t)in_period) / (int32_t)move->step_ms);
    return;
  }
  in_period -= move->step_ms;
  if (in_period < move->on_ms) return;
  in_period -= move->on_ms;
  moment->level = in_period < move->off_ms
                      ? (uint8_t)(move->level - (span * (int32_t)in_period) / (int32_t)move->off_ms)
                      : move->low;
}
#endif

#if UG_USES_CHASE
static void begin_chase(ug_moment *moment, const UG_FLASH ug_move *move, uint32_t t_ms) {
  uint32_t step = (t_ms / move->step_ms) % move->groups;
  moment->part = (uint16_t)(move->onward ? step : (move->groups - step) % move->groups);
}

static uint8_t level_chase(const UG_FLASH ug_move *move, const ug_moment *moment, uint32_t place256) {
  return (uint16_t)((place256 + 128u) >> 8) % move->groups == moment->part ? move->level : 0;
}
#endif

#if UG_USES_SWEEP
static void begin_sweep(ug_moment *moment, const UG_FLASH ug_move *move, uint32_t t_ms, uint16_t length) {
  uint32_t phase = ug_phase(t_ms, move->period_ms);
  moment->at256 = (int32_t)(((uint64_t)ug_triangle(phase) * (uint32_t)(length - 1u) * 256u) / 65535u);
  moment->rises = phase < 32768u;
}

static uint8_t level_sweep(const UG_FLASH ug_move *move, const ug_moment *moment, uint32_t place256) {
  int32_t ahead = moment->rises ? (int32_t)place256 - moment->at256 : moment->at256 - (int32_t)place256;
  if (ahead > 256) return 0;
  return ug_scaled(move, ug_clamp256(ahead >= 0 ? 256 - ahead : 256 - (-ahead) / ((int32_t)move->tail + 1)));
}
#endif

#if UG_USES_FILL
static void begin_fill(ug_moment *moment, const UG_FLASH ug_move *move, uint32_t t_ms, uint16_t length) {
  moment->at256 = (int32_t)(((uint64_t)ug_triangle(ug_phase(t_ms, move->period_ms)) * length * 256u) / 65535u);
}

static uint8_t level_fill(const UG_FLASH ug_move *move, const ug_moment *moment, uint32_t place256) {
  return ug_filled(move, moment, place256);
}
#endif

#if UG_USES_DRIFT
static void begin_drift(ug_moment *moment, const UG_FLASH ug_move *move, uint32_t t_ms) {
  moment->slot = ug_phase(t_ms, move->period_ms);
}

static uint8_t blend_drift(const UG_FLASH ug_move *move, const ug_moment *moment, uint32_t place256) {
  return ug_wave((moment->slot + ((place256 / (256u / UG_PLACE_STEPS)) * move->shift) / UG_PLACE_STEPS) & 65535u);
}
#endif

#if UG_USES_SPARKLE
static void begin_sparkle(ug_moment *moment, const UG_FLASH ug_move *move, uint32_t t_ms) {
  moment->slot = (t_ms % move->period_ms) / move->step_ms;
  moment->part = (uint16_t)((((t_ms % move->period_ms) % move->step_ms) * 512u) / move->step_ms);
  if (moment->part >= 256u) moment->part = (uint16_t)(512u - moment->part);
}

static uint8_t level_sparkle(const UG_FLASH ug_move *move, const ug_moment *moment, uint16_t point) {
  return ug_chance(move->seed, point, moment->slot) >= move->share256 ? 0 : ug_scaled(move, moment->part);
}
#endif

#if UG_USES_FLICKER
static void begin_flicker(ug_moment *moment, const UG_FLASH ug_move *move, uint32_t t_ms) {
  moment->slot = (t_ms % move->period_ms) / move->step_ms;
  moment->part = (uint16_t)((((t_ms % move->period_ms) % move->step_ms) * 256u) / move->step_ms);
}

static uint8_t alike_flicker(const UG_FLASH ug_move *move) { return move->alike; }

/* Chance comes round after 256 slots. */
static uint8_t level_flicker(const UG_FLASH ug_move *move, const ug_moment *moment, uint16_t point) {
  uint32_t light = move->alike ? 0u : point;
  uint16_t now = ug_chance(move->seed, light, moment->slot);
  uint16_t next, value;
  if (move->threshold > 0) return now < move->threshold ? move->low : move->level;
  next = ug_chance(move->seed, light, (moment->slot + 1u) & 255u);
  value = (uint16_t)((now * (256u - moment->part) + (uint32_t)next * moment->part) >> 8);
  return (uint8_t)(move->low + (((int32_t)move->level - move->low) * (int32_t)value) / 255);
}
#endif

#if UG_USES_SHOTS
static void begin_shots(ug_moment *moment, const UG_FLASH ug_move *move, uint32_t t_ms) {
  uint32_t in_period = t_ms % move->period_ms;
  uint32_t both = move->on_ms + move->off_ms;
  moment->level = in_period < move->count * both && in_period % both < move->on_ms ? move->level : 0;
}
#endif

#if UG_USES_BUILD_UP
static void begin_build_up(ug_moment *moment, const UG_FLASH ug_move *move, uint32_t t_ms) {
  int32_t value = (int32_t)(t_ms < move->period_ms ? t_ms : move->period_ms);
  moment->level = (uint8_t)(move->low + (((int32_t)move->level - move->low) * value) / (int32_t)move->period_ms);
}
#endif

#if UG_USES_CELLS
/* The boards last looked at, a bit a cell: two, for a fade between them. */
typedef struct {
  const UG_FLASH ug_move *move;
  uint16_t generation;
  uint8_t now[UG_MOST_CELLS / 8];
  uint8_t next[UG_MOST_CELLS / 8];
} slot;

static slot slots[2];
static uint8_t older;

static uint8_t lives(const uint8_t *board, uint16_t cell) { return (uint8_t)((board[cell >> 3] >> (cell & 7u)) & 1u); }

static void put(uint8_t *board, uint16_t cell, uint8_t alive) {
  if (alive) board[cell >> 3] |= (uint8_t)(1u << (cell & 7u));
  else board[cell >> 3] &= (uint8_t)~(1u << (cell & 7u));
}

static uint16_t count_of(const UG_FLASH ug_move *move) {
  uint32_t count = (uint32_t)move->columns * move->rows;
  return (uint16_t)(count > UG_MOST_CELLS ? UG_MOST_CELLS : count);
}

/* One neighbour's place along one side; -1 beyond an edge that does not wrap. */
static int16_t beside(int16_t at, int8_t by, int16_t size, uint8_t wraps) {
  int16_t to = (int16_t)(at + by);
  if (to >= 0 && to < size) return to;
  return wraps ? (int16_t)((to + size) % size) : (int16_t)-1;
}

static uint8_t neighbours(const UG_FLASH ug_move *move, const uint8_t *board, uint16_t row, uint16_t column) {
  uint8_t living = 0;
  int8_t down, right;
  for (down = -1; down <= 1; down++) {
    int16_t y = beside((int16_t)row, down, (int16_t)move->rows, move->wraps);
    if (y < 0) continue;
    for (right = -1; right <= 1; right++) {
      int16_t x = beside((int16_t)column, right, (int16_t)move->columns, move->wraps);
      uint32_t cell;
      if (x < 0 || (down == 0 && right == 0)) continue;
      cell = (uint32_t)y * move->columns + (uint32_t)x;
      if (cell < UG_MOST_CELLS) living = (uint8_t)(living + lives(board, (uint16_t)cell));
    }
  }
  return living;
}

static void next_generation(const UG_FLASH ug_move *move, const uint8_t *board, uint8_t *next) {
  uint16_t cell, count = count_of(move);
  for (cell = 0; cell < count; cell++) {
    uint8_t living = neighbours(move, board, cell / move->columns, cell % move->columns);
    uint16_t mask = lives(board, cell) ? move->survival : move->birth;
    put(next, cell, (uint8_t)((mask >> living) & 1u));
  }
}

static void begin_slot(slot *at, const UG_FLASH ug_move *move) {
  uint16_t cell, count = count_of(move);
  at->move = move;
  at->generation = 0;
  /* What a larger board left behind its last cell is gone. */
  for (cell = 0; cell < UG_MOST_CELLS / 8; cell++) at->now[cell] = at->next[cell] = 0;
  for (cell = 0; cell < count; cell++) put(at->now, cell, ug_chance(move->seed, cell, 0) < move->share256);
  next_generation(move, at->now, at->next);
}

static slot *slot_of(const UG_FLASH ug_move *move) {
  slot *at;
  if (slots[0].move == move) return &slots[0];
  if (slots[1].move == move) return &slots[1];
  at = &slots[older];
  older = (uint8_t)(1u - older);
  begin_slot(at, move);
  return at;
}

/* Part of 256 of a cell. */
static uint16_t cell_share(const UG_FLASH ug_move *move, uint32_t t_ms, uint16_t cell) {
  uint16_t wanted = (uint16_t)((t_ms % move->period_ms) / move->step_ms);
  slot *at = slot_of(move);
  uint32_t part;
  uint8_t i;
  if (cell >= UG_MOST_CELLS) return 0;
  if (at->generation > wanted) begin_slot(at, move);
  while (at->generation < wanted) {
    for (i = 0; i < UG_MOST_CELLS / 8; i++) at->now[i] = at->next[i];
    next_generation(move, at->now, at->next);
    at->generation++;
  }
  if (!move->melts) return lives(at->now, cell) ? 256 : 0;
  part = (t_ms % move->step_ms) * 256u / move->step_ms;
  return (uint16_t)(lives(at->now, cell) * (256u - part) + lives(at->next, cell) * part);
}

static uint8_t level_cells(const UG_FLASH ug_move *move, uint32_t t_ms, uint32_t place256) {
  return ug_scaled(move, cell_share(move, t_ms, (uint16_t)place256));
}
#endif

#if UG_USES_GAUGE
static void begin_gauge(ug_moment *moment, const UG_FLASH ug_move *move, uint16_t length,
                        const ug_control_state *controls) {
  moment->at256 = (int32_t)(((uint32_t)ug_read(controls, move->control) * length * 256u) / 255u);
}

static uint8_t level_gauge(const UG_FLASH ug_move *move, const ug_moment *moment, uint32_t place256) {
  return ug_filled(move, moment, place256);
}
#endif

#if UG_USES_STEPS
static void begin_steps(ug_moment *moment, const UG_FLASH ug_move *move, const ug_control_state *controls) {
  uint8_t step = (uint8_t)(((uint16_t)ug_read(controls, move->control) * move->count) / 256u);
  moment->level = (uint8_t)(move->low + (((int32_t)move->level - move->low) * step) / (move->count - 1));
  moment->blend = (uint8_t)((step * 255u) / (move->count - 1u));
}
#endif

/* All moves */

void ug_begin_moment(ug_moment *moment, const UG_FLASH ug_move *move, uint32_t t_ms, uint16_t length,
                     const ug_control_state *controls) {
  (void)t_ms;
  (void)length;
  (void)controls;
  moment->level = move->level;
  moment->blend = 255;
  switch (move->kind) {
#if UG_USES_BREATHE
    case UG_BREATHE:
      begin_breathe(moment, move, t_ms);
      break;
#endif
#if UG_USES_SWELL
    case UG_SWELL:
      begin_swell(moment, move, t_ms);
      break;
#endif
#if UG_USES_CHASE
    case UG_CHASE:
      begin_chase(moment, move, t_ms);
      break;
#endif
#if UG_USES_SWEEP
    case UG_SWEEP:
      begin_sweep(moment, move, t_ms, length);
      break;
#endif
#if UG_USES_FILL
    case UG_FILL:
      begin_fill(moment, move, t_ms, length);
      break;
#endif
#if UG_USES_DRIFT
    case UG_DRIFT:
      begin_drift(moment, move, t_ms);
      break;
#endif
#if UG_USES_SPARKLE
    case UG_SPARKLE:
      begin_sparkle(moment, move, t_ms);
      break;
#endif
#if UG_USES_FLICKER
    case UG_FLICKER:
      begin_flicker(moment, move, t_ms);
      break;
#endif
#if UG_USES_SHOTS
    case UG_SHOTS:
      begin_shots(moment, move, t_ms);
      break;
#endif
#if UG_USES_BUILD_UP
    case UG_BUILD_UP:
      begin_build_up(moment, move, t_ms);
      break;
#endif
#if UG_USES_GAUGE
    case UG_GAUGE:
      begin_gauge(moment, move, length, controls);
      break;
#endif
#if UG_USES_STEPS
    case UG_STEPS:
      begin_steps(moment, move, controls);
      break;
#endif
    default:
      break;
  }
}

uint8_t ug_level(const UG_FLASH ug_move *move, const ug_moment *moment, uint32_t t_ms, uint16_t point,
                 uint32_t place256) {
  (void)t_ms;
  (void)point;
  (void)place256;
  switch (move->kind) {
#if UG_USES_CHASE
    case UG_CHASE:
      return level_chase(move, moment, place256);
#endif
#if UG_USES_SWEEP
    case UG_SWEEP:
      return level_sweep(move, moment, place256);
#endif
#if UG_USES_FILL
    case UG_FILL:
      return level_fill(move, moment, place256);
#endif
#if UG_USES_SPARKLE
    case UG_SPARKLE:
      return level_sparkle(move, moment, point);
#endif
#if UG_USES_FLICKER
    case UG_FLICKER:
      return level_flicker(move, moment, point);
#endif
#if UG_USES_CELLS
    case UG_CELLS:
      return level_cells(move, t_ms, place256);
#endif
#if UG_USES_GAUGE
    case UG_GAUGE:
      return level_gauge(move, moment, place256);
#endif
    default:
      return moment->level;
  }
}

uint8_t ug_is_blended(const UG_FLASH ug_move *move) {
  (void)move;
  return (UG_USES_DRIFT && move->kind == UG_DRIFT);
}

uint8_t ug_blend(const UG_FLASH ug_move *move, const ug_moment *moment, uint32_t place256) {
  (void)place256;
  switch (move->kind) {
#if UG_USES_DRIFT
    case UG_DRIFT:
      return blend_drift(move, moment, place256);
#endif
    default:
      return moment->blend;
  }
}

uint8_t ug_is_alike(const UG_FLASH ug_move *move) {
  switch (move->kind) {
#if UG_USES_FLICKER
    case UG_FLICKER:
      return alike_flicker(move);
#endif
    default:
      return (UG_USES_STEADY && move->kind == UG_STEADY) || (UG_USES_BREATHE && move->kind == UG_BREATHE) || (UG_USES_SWELL && move->kind == UG_SWELL) || (UG_USES_SHOTS && move->kind == UG_SHOTS) || (UG_USES_BUILD_UP && move->kind == UG_BUILD_UP) || (UG_USES_STEPS && move->kind == UG_STEPS);
  }
}

uint8_t ug_is_cells(const UG_FLASH ug_move *move) {
  (void)move;
  return (UG_USES_CELLS && move->kind == UG_CELLS);
}
