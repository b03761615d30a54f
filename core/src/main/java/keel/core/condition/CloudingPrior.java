package keel.core.condition;

/**
 * How films of a kind cloud before anybody looked: so much a UV hour, and now and then all at once by mishandling.
 * Common practice, no source.
 *
 * @param medianPerUvHour median loss of light a UV hour, as ln(new/now)
 * @param sdLog sd of its logarithm
 * @param jumpEveryHours print hours between two mishandlings
 * @param jumpMean mean loss by one
 * @param mishandledBefore how many such a film has seen before its first print
 */
public record CloudingPrior(
        double medianPerUvHour, double sdLog, double jumpEveryHours, double jumpMean, double mishandledBefore) {

    public static final CloudingPrior USUAL = new CloudingPrior(3.4e-4, 0.6, 500, 0.10, 0.15);
}
