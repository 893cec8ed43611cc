package verisonus.cli.files;

import java.util.Arrays;
import java.util.stream.Collectors;
import picocli.CommandLine.ITypeConverter;
import picocli.CommandLine.TypeConversionException;
import verisonus.core.compare.GapAttribute;

/** Reads an attribute of the gap by its words. */
public final class GapAttributeConverter implements ITypeConverter<GapAttribute> {
    @Override
    public GapAttribute convert(String value) {
        return GapAttribute.of(value).orElseThrow(() -> new TypeConversionException("'" + value
                + "' is no attribute of the gap; one of: " + Arrays.stream(GapAttribute.values())
                        .map(GapAttribute::words).collect(Collectors.joining(", "))));
    }
}
