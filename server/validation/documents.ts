import { checkedBy } from "../../core/validation/checker.ts";
import validators from "./validators.js";

export const checkAskCarriers = checkedBy(validators.askCarriers);
export const checkCalendars = checkedBy(validators.calendars);
export const checkCancel = checkedBy(validators.cancel);
export const checkCatalogue = checkedBy(validators.catalogue);
export const checkChangeRelease = checkedBy(validators.changeRelease);
export const checkChangeSet = checkedBy(validators.changeSet);
export const checkClaim = checkedBy(validators.claim);
export const checkImportProducts = checkedBy(validators.importProducts);
export const checkKeepSampleCart = checkedBy(validators.keepSampleCart);
export const checkKeepSamples = checkedBy(validators.keepSamples);
export const checkKeepStandpoint = checkedBy(validators.keepStandpoint);
export const checkNamedShopper = checkedBy(validators.namedShopper);
export const checkProduct = checkedBy(validators.product);
export const checkReleaseRequest = checkedBy(validators.releaseRequest);
export const checkSampleCarts = checkedBy(validators.sampleCarts);
export const checkSaveProducts = checkedBy(validators.saveProducts);
export const checkSwitchOffer = checkedBy(validators.switchOffer);
/** The form alone; see `checkStandpoint` for what is in it. */
export const checkStandpointForm = checkedBy(validators.standpoint);
