static void begin_chase(ug_moment *moment, const UG_FLASH ug_move *move, uint32_t t_ms) {
  uint32_t step = (t_ms / move->step_ms) % move->groups;
  moment->part = (uint16_t)(move->onward ? step : (move->groups - step) % move->groups);
}

static uint8_t level_chase(const UG_FLASH ug_move *move, const ug_moment *moment, uint32_t place256) {
  return (uint16_t)((place256 + 128u) >> 8) % move->groups == moment->part ? move->level : 0;
}
