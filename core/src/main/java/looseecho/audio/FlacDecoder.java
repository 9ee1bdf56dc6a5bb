package looseecho.audio;

import java.io.IOException;
import java.io.InputStream;
import looseecho.reading.Progress;
import org.jflac.FLACDecoder;
import org.jflac.frame.Frame;
import org.jflac.metadata.StreamInfo;

/** FLAC through jflac, block by block. */
final class FlacDecoder implements AudioReader.Decoder {
  @Override
  public long decode(InputStream in, SampleSink sink, Progress progress) throws IOException {
    FLACDecoder decoder = new FLACDecoder(in);
    decoder.readMetadata();
    StreamInfo info = decoder.getStreamInfo();
    if (info == null) {
      throw new IOException("no stream header");
    }
    sink.format(info.getSampleRate());
    float scale = 1f / (1L << (info.getBitsPerSample() - 1));
    float[] one = new float[info.getChannels()];
    double total = Math.max(1, info.getTotalSamples());
    Frame frame;
    while ((frame = decoder.readNextFrame()) != null) {
      for (int i = 0; i < frame.header.blockSize; i++) {
        for (int c = 0; c < one.length; c++) {
          one[c] = decoder.getChannelData()[c].getOutput()[i] * scale;
        }
        sink.add(one, one.length);
      }
      progress.step("Reading", Math.min(1, sink.length() / total));
    }
    return info.getTotalSamples();
  }
}
