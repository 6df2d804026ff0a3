// When a thing may be done, and what has a limit besides the crown.

/** The passes of a season: dormant for structure, a visit of an arborist where one is booked, summer for length, sprouts and vigour. */
export const passes = ['dormant', 'hired', 'summer'] as const;
export type Pass = (typeof passes)[number];

/** What has a limit in place of the crown. shoots: last year’s, by their length; older wood: all that is no shoot of last year’s, by its crown. */
export const inPlaceOfCrown = ['shoots', 'older wood'] as const;
/** What a tree may lose of besides its crown. thin cuts: what they take of it while a stem is far too high. */
export const quotaKinds = [...inPlaceOfCrown, 'thin cuts'] as const;
