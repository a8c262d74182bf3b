static void begin_fill(ug_moment *moment, const UG_FLASH ug_move *move, uint32_t t_ms, uint16_t length) {
  moment->at256 = (int32_t)(((uint64_t)ug_triangle(ug_phase(t_ms, move->period_ms)) * length * 256u) / 65535u);
}

static uint8_t level_fill(const UG_FLASH ug_move *move, const ug_moment *moment, uint32_t place256) {
  return ug_filled(move, moment, place256);
}
