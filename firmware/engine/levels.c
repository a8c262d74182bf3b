#include "levels.h"

#include "tables.h"

uint8_t ug_chance(uint16_t seed, uint32_t light, uint32_t slot) {
  uint32_t x = (uint32_t)seed ^ (light * 0x9e3779b1u) ^ (slot * 0x85ebca77u);
  x = (x ^ (x >> 15)) * 0x2c1b3c6du;
  x = (x ^ (x >> 12)) * 0x297a2d39u;
  return (uint8_t)((x ^ (x >> 15)) & 255u);
}

uint32_t ug_phase(uint32_t t_ms, uint32_t period_ms) {
  /* A long division bit by bit: 48 bits by 32 would take a library that is larger than all else here. */
  uint32_t left = t_ms % period_ms, phase = 0;
  uint8_t bit;
  for (bit = 0; bit < 16; bit++) {
    left <<= 1;
    phase <<= 1;
    if (left >= period_ms) {
      left -= period_ms;
      phase |= 1u;
    }
  }
  return phase;
}

uint8_t ug_wave(uint32_t phase) {
  uint16_t at = (uint16_t)(phase >> 8);
  uint16_t part = (uint16_t)(phase & 255u);
  return (uint8_t)(((uint32_t)ug_breath[at] * (256u - part) + (uint32_t)ug_breath[at + 1] * part) >> 8);
}

uint8_t ug_read(const ug_control_state *controls, uint8_t control) {
  return controls == 0 || control == UG_NO_CONTROL ? 255 : controls[control].level;
}

uint8_t ug_filled(const UG_FLASH ug_move *move, const ug_moment *moment, uint32_t place256) {
  return ug_scaled(move, ug_clamp256(moment->at256 - (int32_t)place256));
}
