import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import { api } from "./api.ts";

// What is read from the server beside the draft, each under its one key.

const FOR_EVER = Number.POSITIVE_INFINITY;

export const carrierList = queryOptions({ queryKey: ["carrier-list"], queryFn: api.carriers, staleTime: FOR_EVER });

export const keptSamples = queryOptions({ queryKey: ["samples"], queryFn: api.samples });

export const keptStandpoints = queryOptions({ queryKey: ["standpoints"], queryFn: api.standpoints });

/** A release is as it was made for ever; only where it stands may change, which the list says. */
export const releaseAt = (number: number) =>
  queryOptions({ queryKey: ["release", number], queryFn: () => api.releasedAs(number), staleTime: FOR_EVER });

export const releaseList = queryOptions({ queryKey: ["releases"], queryFn: api.releases });

/** How often each offer has been used. */
export const offerUses = queryOptions({ queryKey: ["uses"], queryFn: api.uses });

export const CATALOGUE = ["catalogue"] as const;

/** Sample carts, and the products in them. @param skus of further products */
export const catalogueOf = (skus: readonly string[]) =>
  queryOptions({
    queryKey: [...CATALOGUE, skus],
    queryFn: () => api.catalogue(skus),
    placeholderData: keepPreviousData,
  });

export const PRODUCTS = ["products"] as const;

/** Products by name or SKU, or those whose weight nobody knows. */
export const productsFound = (query: { search: string } | { missing: "weight" }) =>
  queryOptions({
    queryKey: [...PRODUCTS, query],
    queryFn: () => api.products(query),
    placeholderData: keepPreviousData,
  });

/** What products are filed under; read anew when products change. */
export const catalogueNames = queryOptions({ queryKey: [...PRODUCTS, "names"], queryFn: api.catalogueNames });

/** The regions of one country by name. */
export const regionsOf = (country: string) =>
  queryOptions({
    queryKey: ["regions", country],
    queryFn: () => api.regions(country),
    staleTime: FOR_EVER,
    enabled: country !== "",
  });
