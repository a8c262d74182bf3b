#include "levels.h"

#include "tables.h"

static const uint8_t FLICKER_SLOTS_MASK = 255;

uint8_t ug_chance(uint16_t seed, uint32_t light, uint32_t slot) {
  uint32_t x = (uint32_t)seed ^ (light * 0x9e3779b1u) ^ (slot * 0x85ebca77u);
  x = (x ^ (x >> 15)) * 0x2c1b3c6du;
  x = (x ^ (x >> 12)) * 0x297a2d39u;
  return (uint8_t)((x ^ (x >> 15)) & 255u);
}

uint32_t ug_phase(uint32_t t_ms, uint32_t period_ms) {
  return (uint32_t)(((uint64_t)(t_ms % period_ms) * 65536u) / period_ms);
}

static uint32_t triangle(uint32_t phase) { return phase < 32768u ? phase * 2u : (65535u - phase) * 2u; }

uint8_t ug_wave(uint32_t phase) {
  uint16_t at = (uint16_t)(phase >> 8);
  uint16_t part = (uint16_t)(phase & 255u);
  return (uint8_t)(((uint32_t)ug_breath[at] * (256u - part) + (uint32_t)ug_breath[at + 1] * part) >> 8);
}

/* A beat that rises at once and dies away over its part of the period. */
static uint8_t beat(uint32_t phase, uint32_t from, uint32_t rise, uint32_t fall, uint32_t height) {
  uint32_t left;
  if (phase < from || phase >= from + rise + fall) return 0;
  if (phase < from + rise) return (uint8_t)((height * (phase - from)) / rise);
  left = ((from + rise + fall - phase) * 255u) / fall;
  return (uint8_t)((height * (left * left)) / 65025u);
}

static uint8_t breath_shape(uint8_t curve, uint32_t phase) {
  uint8_t first, second;
  switch (curve) {
    case UG_SOFT:
      return ug_wave(phase);
    case UG_EVEN:
      return (uint8_t)(triangle(phase) / 257u);
    case UG_SHARP:
      return beat(phase, 0, 4096, 61440, 255);
    default:
      first = beat(phase, 0, 3072, 12288, 255);
      second = beat(phase, 15360, 3072, 20480, 170);
      return first > second ? first : second;
  }
}

static uint8_t breath_level(const UG_FLASH ug_move *move, uint32_t t_ms) {
  int32_t rise = ((int32_t)move->level - move->low) *
                 (int32_t)breath_shape(move->curve, ug_phase(t_ms, move->period_ms));
  return (uint8_t)(move->low + (rise + (rise < 0 ? -127 : 127)) / 255);
}

static uint16_t clamp256(int32_t share) { return (uint16_t)(share < 0 ? 0 : share > 256 ? 256 : share); }

uint8_t ug_read(const ug_control_state *controls, uint8_t control) {
  return controls == 0 || control == UG_NO_CONTROL ? 255 : controls[control].level;
}

uint8_t ug_step(uint8_t value, uint8_t count) { return (uint8_t)(((uint16_t)value * count) / 256u); }

static uint8_t shot_level(const UG_FLASH ug_move *move, uint32_t t_ms) {
  uint32_t in_period = t_ms % move->period_ms;
  uint32_t both = move->on_ms + move->off_ms;
  return in_period < move->count * both && in_period % both < move->on_ms ? move->level : 0;
}

void ug_begin_moment(ug_moment *moment, const UG_FLASH ug_move *move, uint32_t t_ms, uint16_t length,
                     const ug_control_state *controls) {
  uint32_t phase, step;
  int32_t value;
  moment->level = move->level;
  switch (move->kind) {
    case UG_BREATHE:
      moment->level = breath_level(move, t_ms);
      break;
    case UG_SHOTS:
      moment->level = shot_level(move, t_ms);
      break;
    case UG_BUILD_UP:
      value = (int32_t)(t_ms < move->period_ms ? t_ms : move->period_ms);
      moment->level = (uint8_t)(move->low + (((int32_t)move->level - move->low) * value) / (int32_t)move->period_ms);
      break;
    case UG_STEPS:
      value = ug_step(ug_read(controls, move->control), move->count);
      moment->level = (uint8_t)(move->low + (((int32_t)move->level - move->low) * value) / (move->count - 1));
      break;
    case UG_CHASE:
      step = (t_ms / move->step_ms) % move->groups;
      moment->part = (uint16_t)(move->onward ? step : (move->groups - step) % move->groups);
      break;
    case UG_SWEEP:
      phase = ug_phase(t_ms, move->period_ms);
      moment->at256 = (int32_t)(((uint64_t)triangle(phase) * (uint32_t)(length - 1u) * 256u) / 65535u);
      moment->rises = phase < 32768u;
      break;
    case UG_FILL:
      moment->at256 = (int32_t)(((uint64_t)triangle(ug_phase(t_ms, move->period_ms)) * length * 256u) / 65535u);
      break;
    case UG_GAUGE:
      moment->at256 = (int32_t)(((uint32_t)ug_read(controls, move->control) * length * 256u) / 255u);
      break;
    case UG_SPARKLE:
      moment->slot = (t_ms % move->period_ms) / move->step_ms;
      moment->part = (uint16_t)(((uint64_t)((t_ms % move->period_ms) % move->step_ms) * 512u) / move->step_ms);
      if (moment->part >= 256u) moment->part = (uint16_t)(512u - moment->part);
      break;
    case UG_FLICKER:
      moment->slot = (t_ms % move->period_ms) / move->step_ms;
      moment->part = (uint16_t)(((uint64_t)((t_ms % move->period_ms) % move->step_ms) * 256u) / move->step_ms);
      break;
    default:
      break;
  }
}

static uint8_t flicker_level(const UG_FLASH ug_move *move, const ug_moment *moment, uint16_t point) {
  uint32_t light = move->alike ? 0u : point;
  uint16_t now = ug_chance(move->seed, light, moment->slot);
  uint16_t next, value;
  if (move->threshold > 0) return now < move->threshold ? move->low : move->level;
  next = ug_chance(move->seed, light, (moment->slot + 1u) & FLICKER_SLOTS_MASK);
  value = (uint16_t)((now * (256u - moment->part) + (uint32_t)next * moment->part) >> 8);
  return (uint8_t)(move->low + (((int32_t)move->level - move->low) * (int32_t)value) / 255);
}

static uint8_t scaled(const UG_FLASH ug_move *move, uint16_t share256) {
  return (uint8_t)(((uint32_t)move->level * share256) >> 8);
}

uint8_t ug_level(const UG_FLASH ug_move *move, const ug_moment *moment, uint32_t t_ms, uint16_t point,
                 uint32_t place256) {
  int32_t ahead;
  switch (move->kind) {
    case UG_CHASE:
      return (uint16_t)((place256 + 128u) >> 8) % move->groups == moment->part ? move->level : 0;
    case UG_SWEEP:
      ahead = moment->rises ? (int32_t)place256 - moment->at256 : moment->at256 - (int32_t)place256;
      if (ahead > 256) return 0;
      return scaled(move, clamp256(ahead >= 0 ? 256 - ahead : 256 - (-ahead) / ((int32_t)move->tail + 1)));
    case UG_FILL:
    case UG_GAUGE:
      return scaled(move, clamp256(moment->at256 - (int32_t)place256));
    case UG_SPARKLE:
      return ug_chance(move->seed, point, moment->slot) >= move->share256 ? 0 : scaled(move, moment->part);
    case UG_FLICKER:
      return flicker_level(move, moment, point);
    case UG_CELLS:
      return scaled(move, ug_cell_share(move, t_ms, (uint16_t)place256));
    default:
      return moment->level;
  }
}
