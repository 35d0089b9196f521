package orthopur.machine;

import org.jspecify.annotations.Nullable;

/**
 * What the machine shows or lets hear.
 *
 * @param normal whether it is as it should be: a click, residual water, noise until product arrives
 * @param then what is done; null where nothing has to be
 */
public record Sign(String sign, boolean normal, String means, @Nullable String then) {}
