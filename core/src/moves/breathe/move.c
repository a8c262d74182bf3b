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
