/** The judgement on trial: fields with known truth, read as advisors read them, by mechanisms that are not the engine's. */
package org.morphotera.training.trial;
