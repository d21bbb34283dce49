/** What the edge lands on. */
export const BOARDS = ['end-grain', 'rubber', 'edge-grain', 'soft-plastic', 'hard-plastic', 'plate'] as const
export type Board = (typeof BOARDS)[number]

/** What is mostly cut. */
export const PRODUCTS = ['fish', 'vegetables', 'meat', 'mixed', 'bread', 'meat-on-bone', 'frozen'] as const
export type Product = (typeof PRODUCTS)[number]

/**
 * How much faster an edge wears than on a soft-plastic board (β). The order is common practice,
 * the sizes are assumed; a house with enough readings learns its own.
 */
export const BOARD_FACTOR: Readonly<Record<Board, number>> = {
  'end-grain': 0.7,
  rubber: 0.75,
  'edge-grain': 0.9,
  'soft-plastic': 1,
  'hard-plastic': 1.5,
  plate: 4,
}

/** How much faster an edge wears than in mixed work (π). Order common practice, sizes assumed. */
export const PRODUCT_FACTOR: Readonly<Record<Product, number>> = {
  fish: 0.8,
  vegetables: 0.9,
  meat: 0.9,
  mixed: 1,
  bread: 1.1,
  'meat-on-bone': 1.6,
  frozen: 1.6,
}
