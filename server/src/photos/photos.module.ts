import { Module, type DynamicModule } from '@nestjs/common';
import { PhotoStore } from './photo-store.ts';
import { PhotosController } from './photos.controller.ts';

@Module({})
export class PhotosModule {
  /** @param folder where the files of photos lie */
  static over(folder: string): DynamicModule {
    return {
      module: PhotosModule,
      global: true,
      controllers: [PhotosController],
      providers: [{ provide: PhotoStore, useFactory: () => new PhotoStore(folder) }],
      exports: [PhotoStore],
    };
  }
}
