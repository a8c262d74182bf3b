static void begin_gauge(ug_moment *moment, const UG_FLASH ug_move *move, uint16_t length,
                        const ug_control_state *controls) {
  moment->at256 = (int32_t)(((uint32_t)ug_read(controls, move->control) * length * 256u) / 255u);
}

static uint8_t level_gauge(const UG_FLASH ug_move *move, const ug_moment *moment, uint32_t place256) {
  return ug_filled(move, moment, place256);
}
