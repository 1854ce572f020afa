/** Of what a panel would give in its peak-sun hours: aimed and clean, or flat or dirty (the model, section 10). */
export const PANEL_SHARE = 0.65;
export const DIRTY_PANEL_SHARE = 0.5;
