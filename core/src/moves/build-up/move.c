static void begin_build_up(ug_moment *moment, const UG_FLASH ug_move *move, uint32_t t_ms) {
  int32_t value = (int32_t)(t_ms < move->period_ms ? t_ms : move->period_ms);
  moment->level = (uint8_t)(move->low + (((int32_t)move->level - move->low) * value) / (int32_t)move->period_ms);
}
