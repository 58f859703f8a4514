/** Days in which somebody taken off a register can be put back; sooner gone when the class's health data goes. */
export const putBackDays = 30;
