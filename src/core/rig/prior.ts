/** The weight of a fault beside the others, and the reason for it. A kind shares its weight over all of its places. */
export interface Prior {
  weight: number;
  why: string;
}

export const often = (why: string): Prior => ({ weight: 8, why });
export const nowAndThen = (why: string): Prior => ({ weight: 4, why });
export const seldom = (why: string): Prior => ({ weight: 1.5, why });
export const rare = (why: string): Prior => ({ weight: 0.5, why });
