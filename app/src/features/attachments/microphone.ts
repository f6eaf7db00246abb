/** A microphone that listens: the device's own, or a simulated one where there is none. */
export interface Microphone {
  stream: MediaStream;
  isSimulated: boolean;
  close: () => void;
}

/** Two notes that take turns, as somebody humming would: what a simulated microphone hears. */
function hum(): Microphone {
  const context = new AudioContext();
  const heard = context.createMediaStreamDestination();
  const voice = context.createOscillator();
  const loudness = context.createGain();
  loudness.gain.value = 0.2;
  voice.connect(loudness).connect(heard);
  for (let second = 0; second < 600; second += 1) {
    voice.frequency.setValueAtTime(second % 2 === 0 ? 220 : 247, context.currentTime + second);
  }
  voice.start();
  return {
    stream: heard.stream,
    isSimulated: true,
    close: () => {
      voice.stop();
      void context.close();
    },
  };
}

/** Opens the microphone. Rejects when the person does not allow it. */
export async function openMicrophone(): Promise<Microphone> {
  try {
    const stream = await navigator.mediaDevices.getUserMedia({ audio: true });
    return { stream, isSimulated: false, close: () => stream.getTracks().forEach((track) => track.stop()) };
  } catch (error) {
    if ((error as DOMException).name === 'NotAllowedError' && (await hasDevice())) throw error;
    return hum();
  }
}

async function hasDevice(): Promise<boolean> {
  const devices = await navigator.mediaDevices?.enumerateDevices().catch(() => []);
  return (devices ?? []).some((device) => device.kind === 'audioinput');
}

const FORMS = ['audio/webm;codecs=opus', 'audio/webm', 'audio/mp4'];

/** The form this browser records in, and the ending of its files. */
export const recordingForm = (): { type: string; ending: string } => {
  const type = FORMS.find((each) => MediaRecorder.isTypeSupported(each)) ?? '';
  return { type, ending: type.includes('mp4') ? 'm4a' : 'voice.webm' };
};
