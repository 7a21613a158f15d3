export const RAMP_FORM_CHOICES = [
  ['straight', 'straight on'],
  ['quarter', 'round a corner'],
  ['switchback', 'to and fro'],
  ['circular', 'round a middle'],
] as const;

export const REFERENCE_CHOICES = [
  ['top', 'its top'],
  ['middle', 'its middle'],
  ['underside', 'its underside'],
] as const;
