/** Where the plan begins beside what lies over it on the left, px. */
export const SURVEY_LEFT_PX = 200;
