static void begin_shots(ug_moment *moment, const UG_FLASH ug_move *move, uint32_t t_ms) {
  uint32_t in_period = t_ms % move->period_ms;
  uint32_t both = move->on_ms + move->off_ms;
  moment->level = in_period < move->count * both && in_period % both < move->on_ms ? move->level : 0;
}
