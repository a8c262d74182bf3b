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
