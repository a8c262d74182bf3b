static void begin_sparkle(ug_moment *moment, const UG_FLASH ug_move *move, uint32_t t_ms) {
  moment->slot = (t_ms % move->period_ms) / move->step_ms;
  moment->part = (uint16_t)((((t_ms % move->period_ms) % move->step_ms) * 512u) / move->step_ms);
  if (moment->part >= 256u) moment->part = (uint16_t)(512u - moment->part);
}

static uint8_t level_sparkle(const UG_FLASH ug_move *move, const ug_moment *moment, uint16_t point) {
  return ug_chance(move->seed, point, moment->slot) >= move->share256 ? 0 : ug_scaled(move, moment->part);
}
