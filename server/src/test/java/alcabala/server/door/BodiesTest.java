package alcabala.server.door;

import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import java.lang.reflect.AnnotatedParameterizedType;
import java.lang.reflect.AnnotatedType;
import java.lang.reflect.Method;
import java.lang.reflect.Parameter;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.RestController;

/// What is listed in a request may be nothing at all, and JSON has a word for that.
class BodiesTest {
    @Test
    void nothingInAListOrMapIsNull() {
        List<Class<?>> bodies = new ClassFileImporter()
                .withImportOption(new ImportOption.DoNotIncludeTests()).importPackages("alcabala.server").stream()
                        .filter(each -> each.isAnnotatedWith(RestController.class))
                        .map(JavaClass::reflect)
                        .flatMap(each -> Stream.of(each.getDeclaredMethods()))
                        .flatMap(BodiesTest::bodyOf)
                        .distinct()
                        .toList();
        assertThat(bodies).hasSizeGreaterThan(40);
        Set<String> loose = new TreeSet<>();
        List<Class<?>> seen = new ArrayList<>();
        bodies.forEach(each -> look(each, seen, loose));
        assertThat(loose).isEmpty();
    }

    private static Stream<Class<?>> bodyOf(Method method) {
        return Arrays.stream(method.getParameters())
                .filter(each ->
                        each.isAnnotationPresent(RequestBody.class) || each.isAnnotationPresent(RequestPart.class))
                .map(Parameter::getType);
    }

    private static void look(Class<?> type, List<Class<?>> seen, Set<String> loose) {
        if (!type.isRecord() || !type.getName().startsWith("alcabala.server") || seen.contains(type)) {
            return;
        }
        seen.add(type);
        for (RecordComponent each : type.getRecordComponents()) {
            look(each.getType(), seen, loose);
            if (each.getAnnotatedType() instanceof AnnotatedParameterizedType generic
                    && (Collection.class.isAssignableFrom(each.getType())
                            || Map.class.isAssignableFrom(each.getType()))) {
                AnnotatedType[] arguments = generic.getAnnotatedActualTypeArguments();
                AnnotatedType values = arguments[arguments.length - 1];
                if (!values.isAnnotationPresent(NotNull.class) && !values.isAnnotationPresent(NotBlank.class)) {
                    loose.add(type.getSimpleName() + "." + each.getName());
                }
                if (values.getType() instanceof Class<?> inner) {
                    look(inner, seen, loose);
                }
            }
        }
    }
}
