package verisonus.cli.perform;

import picocli.CommandLine.ITypeConverter;
import picocli.CommandLine.TypeConversionException;
import verisonus.core.rig.ControlPlace;

/** A control as it is typed: {@code amp/gain}. */
final class PlaceConverter implements ITypeConverter<ControlPlace> {
    @Override
    public ControlPlace convert(String value) {
        int slash = value.indexOf('/');
        if (slash <= 0 || slash == value.length() - 1)
            throw new TypeConversionException("\"" + value + "\" is no block and control; write amp/gain");
        return new ControlPlace(value.substring(0, slash), value.substring(slash + 1));
    }
}
