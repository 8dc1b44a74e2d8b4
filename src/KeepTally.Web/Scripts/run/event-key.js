/** What an event is known by among all events: where it was said, who said it, and its number there. */
export const keyOf = ({ sheet, device, n }) => `${sheet}/${device}/${n}`;
