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

static uint16_t sweep_share(uint32_t phase, uint32_t place256, uint16_t length, uint16_t tail) {
  int32_t head = (int32_t)(((uint64_t)triangle(phase) * (uint32_t)(length - 1u) * 256u) / 65535u);
  int32_t place = (int32_t)place256;
  int32_t ahead = phase < 32768u ? place - head : head - place;
  int32_t share = ahead >= 0 ? 256 - ahead : 256 - (-ahead) / ((int32_t)tail + 1);
  return (uint16_t)(share < 0 ? 0 : share);
}

/* Part of 256 of a light at a place when so many 256ths of a light are full. */
static uint16_t full_share(uint32_t full256, uint32_t place256) {
  int32_t share = (int32_t)full256 - (int32_t)place256;
  return (uint16_t)(share < 0 ? 0 : share > 256 ? 256 : share);
}

static uint16_t sparkle_share(const UG_FLASH ug_move *move, uint32_t t_ms, uint16_t point) {
  uint32_t in_period = t_ms % move->period_ms;
  uint32_t part;
  if (ug_chance(move->seed, point, in_period / move->step_ms) >= move->share256) return 0;
  part = (uint32_t)(((uint64_t)(in_period % move->step_ms) * 512u) / move->step_ms);
  return (uint16_t)(part < 256u ? part : 512u - part);
}

static uint8_t flicker_level(const UG_FLASH ug_move *move, uint32_t t_ms, uint16_t point) {
  uint32_t in_period = t_ms % move->period_ms;
  uint32_t slot = in_period / move->step_ms;
  uint32_t light = move->alike ? 0u : point;
  uint32_t now = ug_chance(move->seed, light, slot);
  uint32_t next, part, value;
  if (move->threshold > 0) return now < move->threshold ? move->low : move->level;
  next = ug_chance(move->seed, light, (slot + 1u) & FLICKER_SLOTS_MASK);
  part = (uint32_t)(((uint64_t)(in_period % move->step_ms) * 256u) / move->step_ms);
  value = (now * (256u - part) + next * part) >> 8;
  return (uint8_t)(move->low + (((int32_t)move->level - move->low) * (int32_t)value) / 255);
}

static uint8_t shot_level(const UG_FLASH ug_move *move, uint32_t t_ms) {
  uint32_t in_period = t_ms % move->period_ms;
  uint32_t both = move->on_ms + move->off_ms;
  return in_period < move->count * both && in_period % both < move->on_ms ? move->level : 0;
}

uint8_t ug_read(const ug_control_state *controls, uint8_t control) {
  return controls == 0 || control == UG_NO_CONTROL ? 255 : controls[control].level;
}

uint8_t ug_step(uint8_t value, uint8_t count) { return (uint8_t)(((uint16_t)value * count) / 256u); }

static uint8_t scaled(const UG_FLASH ug_move *move, uint16_t share256) {
  return (uint8_t)(((uint32_t)move->level * share256) >> 8);
}

uint8_t ug_level(const UG_FLASH ug_move *move, uint32_t t_ms, uint16_t point, uint32_t place256, uint16_t length,
                 const ug_control_state *controls) {
  switch (move->kind) {
    case UG_BREATHE:
      return breath_level(move, t_ms);
    case UG_CHASE: {
      uint32_t step = (t_ms / move->step_ms) % move->groups;
      uint32_t lit = move->onward ? step : (move->groups - step) % move->groups;
      return ((place256 + 128u) >> 8) % move->groups == lit ? move->level : 0;
    }
    case UG_SWEEP:
      return scaled(move, sweep_share(ug_phase(t_ms, move->period_ms), place256, length, move->tail));
    case UG_FILL:
      return scaled(move, full_share((uint32_t)(((uint64_t)triangle(ug_phase(t_ms, move->period_ms)) * length * 256u) /
                                                65535u),
                                     place256));
    case UG_GAUGE:
      return scaled(move, full_share(((uint32_t)ug_read(controls, move->control) * length * 256u) / 255u, place256));
    case UG_STEPS: {
      int32_t step = ug_step(ug_read(controls, move->control), move->count);
      return (uint8_t)(move->low + (((int32_t)move->level - move->low) * step) / (move->count - 1));
    }
    case UG_SPARKLE:
      return scaled(move, sparkle_share(move, t_ms, point));
    case UG_FLICKER:
      return flicker_level(move, t_ms, point);
    case UG_SHOTS:
      return shot_level(move, t_ms);
    case UG_CELLS:
      return scaled(move, ug_cell_share(move, t_ms, (uint16_t)place256));
    case UG_BUILD_UP: {
      int32_t t = (int32_t)(t_ms < move->period_ms ? t_ms : move->period_ms);
      return (uint8_t)(move->low + (((int32_t)move->level - move->low) * t) / (int32_t)move->period_ms);
    }
    default:
      return move->level;
  }
}
