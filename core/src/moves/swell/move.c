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
