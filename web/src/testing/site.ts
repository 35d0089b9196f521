/** The site and its water, as its file has them. */
export const SITE_FILE = {
  name: "Quillmere Kitchens",
  town: "Tarn Ferry",
  zone: "Europe/London",
  mains: {
    temperature: { value: 12, unit: "°C" },
    hardness: { value: 310, unit: "mg/L" },
    ph: { value: 7.6, unit: "pH" },
  },
};

/** A machine of one part. */
export const BLADE_SHEET = {
  code: "QK-SL1",
  parts: [{ id: "blade", name: "Blade", surfaces: [] }],
  energies: [],
  checks: [],
  passages: [],
  fittings: [],
};
