package alcabala.server.platform;

import java.lang.invoke.MethodHandle;
import java.lang.invoke.MethodHandles;
import java.lang.invoke.MethodType;
import java.lang.reflect.Constructor;
import java.util.Optional;
import tools.jackson.databind.BeanDescription;
import tools.jackson.databind.DeserializationConfig;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.deser.SettableBeanProperty;
import tools.jackson.databind.deser.ValueInstantiator;
import tools.jackson.databind.deser.ValueInstantiators;
import tools.jackson.databind.deser.bean.PropertyValueBuffer;

/// Makes Java records by their constructor, looked up once. The usual way adapts that constructor to its arguments each
/// time, which took more than a quarter of reading what is kept.
final class RecordMaker extends ValueInstantiators.Base {
    private static final MethodType SPREAD = MethodType.methodType(Object.class, Object[].class);

    @Override
    public ValueInstantiator modifyValueInstantiator(
            DeserializationConfig config, BeanDescription.Supplier type, ValueInstantiator usual) {
        return type.getBeanClass().isRecord()
                ? constructor(usual)
                        .<ValueInstantiator>map(found -> new Quick(usual, found))
                        .orElse(usual)
                : usual;
    }

    private static Optional<MethodHandle> constructor(ValueInstantiator usual) {
        if (usual.getWithArgsCreator() == null
                || !(usual.getWithArgsCreator().getAnnotated() instanceof Constructor<?> constructor)) {
            return Optional.empty();
        }
        try {
            return Optional.of(MethodHandles.publicLookup()
                    .unreflectConstructor(constructor)
                    .asSpreader(Object[].class, constructor.getParameterCount())
                    .asType(SPREAD));
        } catch (IllegalAccessException e) {
            // It is no one else's to make; the usual way may.
            return Optional.empty();
        }
    }

    private static final class Quick extends ValueInstantiator.Delegating {
        private final transient MethodHandle constructor;

        Quick(ValueInstantiator usual, MethodHandle constructor) {
            super(usual);
            this.constructor = constructor;
        }

        @Override
        public ValueInstantiator createContextual(DeserializationContext context, BeanDescription.Supplier type) {
            return this;
        }

        @Override
        public Object createFromObjectWith(
                DeserializationContext context, SettableBeanProperty[] properties, PropertyValueBuffer read) {
            return createFromObjectWith(context, read.getParameters(context, properties));
        }

        @Override
        public Object createFromObjectWith(DeserializationContext context, Object[] arguments) {
            try {
                return constructor.invokeExact(arguments);
            } catch (Throwable refused) {
                // The usual way is refused as well, and says so as it always does.
                return delegate().createFromObjectWith(context, arguments);
            }
        }
    }
}
