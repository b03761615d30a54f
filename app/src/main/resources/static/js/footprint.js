// Geometry of a footprint on a plate: its middle x, y, length l, width w in mm, turned by so many degrees.
export const LEAST_MM = 3;

const turnOf = place => {
  const angle = place.turn * Math.PI / 180;
  return { cos: Math.cos(angle), sin: Math.sin(angle) };
};

/** The four corners, one after the other around it. */
export const corners = place => {
  const { cos, sin } = turnOf(place);
  const corner = (a, b) => [
    place.x + a * place.l / 2 * cos - b * place.w / 2 * sin,
    place.y + a * place.l / 2 * sin + b * place.w / 2 * cos,
  ];
  return [corner(-1, -1), corner(1, -1), corner(1, 1), corner(-1, 1)];
};

const clamp = (value, half, most) => 2 * half > most ? most / 2 : Math.min(most - half, Math.max(half, value));

/** The same, moved so that it lies on the plate; in the middle where it is too large for it. */
export const inside = (plate, place) => {
  const { cos, sin } = turnOf(place);
  const halfX = (place.l * Math.abs(cos) + place.w * Math.abs(sin)) / 2;
  const halfY = (place.l * Math.abs(sin) + place.w * Math.abs(cos)) / 2;
  return { ...place, x: clamp(place.x, halfX, plate.length), y: clamp(place.y, halfY, plate.width) };
};

/** The footprint between two corners that lie opposite. */
export const spanned = (from, to) => ({
  x: (from.x + to.x) / 2,
  y: (from.y + to.y) / 2,
  l: Math.abs(to.x - from.x),
  w: Math.abs(to.y - from.y),
  turn: 0,
});
