/** Places of lights along a move are kept in eighths of a light. */
export const PLACE_STEPS = 8;
