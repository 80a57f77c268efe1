package org.morphotera.server.viewcache;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.zip.GZIPOutputStream;
import org.apache.tomcat.util.http.parser.AcceptEncoding;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpInputMessage;
import org.springframework.http.HttpOutputMessage;
import org.springframework.http.MediaType;
import org.springframework.http.converter.AbstractHttpMessageConverter;
import org.springframework.http.converter.HttpMessageConverters;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import tools.jackson.databind.json.JsonMapper;

/** Sends answers that are {@link CachedView} from the bytes they were first written as, for as long as they are kept. */
@Configuration
class CachedAnswers implements WebMvcConfigurer {

    private final JsonMapper json;

    CachedAnswers(JsonMapper json) {
        this.json = json;
    }

    @Override
    public void configureMessageConverters(HttpMessageConverters.ServerBuilder builder) {
        builder.addCustomConverter(new Converter(json));
    }

    /** One answer as it is sent. */
    private record Bytes(byte[] plain, byte[] packed) {

        static Bytes of(byte[] plain) {
            ByteArrayOutputStream packed = new ByteArrayOutputStream();
            try (GZIPOutputStream into = new GZIPOutputStream(packed)) {
                into.write(plain);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
            return new Bytes(plain, packed.toByteArray());
        }
    }

    private static final class Converter extends AbstractHttpMessageConverter<Object> {

        private static final String GZIP = "gzip";

        private final JsonMapper json;

        /** Keys are told apart by what they are, not by what is in them, and let go with the last who holds them. */
        private final Cache<Object, Bytes> kept =
                Caffeine.newBuilder().weakKeys().build();

        Converter(JsonMapper json) {
            super(MediaType.APPLICATION_JSON);
            this.json = json;
        }

        @Override
        protected boolean supports(Class<?> type) {
            return type.isAnnotationPresent(CachedView.class);
        }

        @Override
        public boolean canRead(Class<?> type, MediaType mediaType) {
            return false;
        }

        @Override
        protected Object readInternal(Class<?> type, HttpInputMessage message) throws HttpMessageNotReadableException {
            throw new HttpMessageNotReadableException("only written", message);
        }

        @Override
        protected void writeInternal(Object answer, HttpOutputMessage message) throws IOException {
            Bytes bytes = kept.get(answer, each -> Bytes.of(json.writeValueAsBytes(each)));
            HttpHeaders headers = message.getHeaders();
            headers.add(HttpHeaders.VARY, HttpHeaders.ACCEPT_ENCODING);
            boolean packed = takesPacked();
            if (packed) {
                headers.set(HttpHeaders.CONTENT_ENCODING, GZIP);
            }
            byte[] sent = packed ? bytes.packed() : bytes.plain();
            headers.setContentLength(sent.length);
            message.getBody().write(sent);
        }

        private static boolean takesPacked() throws IOException {
            if (!(RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes attributes)) {
                return false;
            }
            String header = attributes.getRequest().getHeader(HttpHeaders.ACCEPT_ENCODING);
            if (header == null) {
                return false;
            }
            List<AcceptEncoding> taken = AcceptEncoding.parse(new StringReader(header));
            return taken.stream().anyMatch(each -> GZIP.equals(each.getEncoding()) && each.getQuality() > 0);
        }
    }
}
